import type { Schemas } from '../api/client';
import type { Whole } from '../document/types';

export type Content = Schemas['FormulaContentOut'];
export type FormulaLine = Schemas['Line'];
export type FormulaOut = Whole<Content>;
export type FormulaJudgement = Schemas['FormulaJudgement'];
export type Gauge = Schemas['Gauge'];
export type LineFacts = Schemas['LineFacts'];
export type FormulaReference = Schemas['FormulaReferenceOut'];

/** Stands for the pinned blend among the lines. */
export const BLEND = '@blend';

/** The line of a blend that is put under a formula, to begin from. */
export const BLEND_LINE: FormulaLine = { ingredient: BLEND, mass_g: 500, when: 'dry', note: '' };

/** When a line goes in. */
export type When = FormulaLine['when'];

/** Moments when lines go in, in the order of the work, as they are called. */
export const MOMENTS: Record<When, string> = {
  dry: 'dry',
  gel: 'gel',
  soak: 'soak',
  leaven: 'leaven',
  wet: 'wet',
  fat: 'fat',
  'fold-in': 'fold in',
  filling: 'filling',
  finish: 'finish'
};
