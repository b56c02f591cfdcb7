/** A stage of the work: where it begins, what it is called, and which pages are its. */
export interface Stage {
  href: string;
  label: string;
  at: RegExp;
}

/** The path of the work, in its order. A stage stands here once it can be used. */
export const STAGES: readonly Stage[] = [
  { href: '#/', label: 'Briefs', at: /^\/(briefs.*)?$/ },
  { href: '#/ingredients', label: 'Ingredients', at: /^\/(ingredients|side-by-side|shelf|scale)/ },
  { href: '#/blends', label: 'Blends', at: /^\/(blends|bench|compare|print)/ },
  { href: '#/formulas', label: 'Formulas', at: /^\/(formulas|formula|card|recipe)/ },
  { href: '#/schedules', label: 'Schedule', at: /^\/(schedules|schedule|plan|now|day|starters)/ },
  { href: '#/trials', label: 'Trials', at: /^\/(trials|trial|bake|family|last)/ },
  { href: '#/tastings', label: 'Tastings', at: /^\/(tastings|tasting|taste|plating|pooled)/ },
  { href: '#/experiments', label: 'Experiments', at: /^\/(experiments|experiment)/ },
  { href: '#/batches', label: 'Batches', at: /^\/(batches|batch|weigh|label|trace|stock|bins|weigh-sheet)/ }
];

/** Returns which stage a page belongs to, from 0; −1 for those of none. */
export function stageAt(location: string): number {
  return STAGES.findIndex((stage) => stage.at.test(location));
}
