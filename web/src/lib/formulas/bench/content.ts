import { api, ask } from '../../api/client';
import type { Noun } from '../../document/document.svelte';
import type { Content, FormulaJudgement, FormulaLine, When } from '../types';

/** Returns a content as text that is the same for the same content. */
export function fingerprint(content: Content): string {
  const { use, consistency, school, pieces, pan, portion, method, blend, lines } = content;
  const parts = blend?.parts.map((p) => [p.ingredient, p.mass_g, p.lot_id ?? 0]) ?? [];
  const rows = lines.map((l) => [l.ingredient, l.mass_g, l.when, l.note]);
  return JSON.stringify([
    use,
    consistency,
    school,
    pieces,
    pan,
    portion && [portion.name, portion.mass_g, portion.shares],
    method,
    blend?.blend_id,
    blend?.revision,
    parts,
    rows
  ]);
}

/** Returns whether two contents are the same. */
export function sameContent(a: Content, b: Content): boolean {
  return a === b || fingerprint(a) === fingerprint(b);
}

/** Returns the judgement of a content. */
export async function judge(content: Content): Promise<FormulaJudgement> {
  return (await ask(api.POST('/api/v1/formula-judgements', { body: { content } }))).data;
}

/** What formulas say of themselves as documents. */
export const FORMULA_NOUN: Noun<Content, FormulaJudgement> = {
  name: 'formula',
  path: 'formulas',
  key: (id) => `formula.${id}`,
  bench: (id) => `/formula/${id}`,
  same: sameContent,
  isEmpty: (content) => !content.lines.length,
  judge: (content) => judge(content),
  // Lines of an older version called it their stage.
  upgrade(kept) {
    const { content } = kept as { content: Content };
    type Old = FormulaLine & { stage?: When };
    const lines = content.lines.map(({ stage, ...l }: Old) => ({ ...l, when: l.when ?? stage ?? 'dry' }));
    return { ...content, portion: content.portion ?? null, lines };
  }
};
