import type { Schemas } from '../api/client';

export type Content = Schemas['ContentOut'];
export type FormulaLine = Schemas['LineOut'];
export type FormulaOut = Schemas['FormulaOut'];
export type FormulaRevision = Schemas['FormulaRevisionOut'];
export type FormulaJudgement = Schemas['FormulaJudgement'];
export type Gauge = Schemas['Gauge'];
export type LineFacts = Schemas['LineFacts'];
export type FormulaReference = Schemas['FormulaReferenceOut'];

/** Stands for the pinned blend among the lines. */
export const BLEND = '@blend';

/** The line of a blend that is put under a formula, to begin from. */
export const BLEND_LINE: FormulaLine = { ingredient: BLEND, mass_g: 500, stage: 'dry', note: '' };

/** Stages in the order of the work, as they are called. */
export const STAGES: Record<string, string> = {
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

export const OUTSIDE_DOUGH = new Set(['filling', 'finish']);

/** Made before the dough is mixed; their water is in already. */
export const AHEAD = new Set(['leaven', 'soak', 'gel']);
