import { api, ask, wordsOf, type Schemas } from '../../api/client';
import { Latest } from '../../ui/state/latest';
import { remembered } from '../../ui/state/remembered';
import { formulas } from '../reference.svelte';
import type { Content } from '../types';

export type Way = 'flour' | 'dough' | 'pieces' | 'tin';
export type Shape = 'box' | 'round' | 'ring' | 'cups';
export const CM_PER_INCH = 2.54;

/** How a formula is to be scaled, as it was typed; lengths in cm whatever unit they are shown in. */
export interface Wish {
  way: Way;
  flour_g: number;
  dough_g: number;
  pieces: number;
  piece_g: number;
  baked: boolean;
  shape: Shape;
  length_cm: number;
  width_cm: number;
  height_cm: number;
  base_length_cm: number | null;
  base_width_cm: number | null;
  hole_cm: number;
  count: number;
  tins: number;
  fill_pct: number | null;
  loss_pct: number;
  step_g: number;
  inches: boolean;
}

export const BEGINNING: Wish = {
  way: 'tin', flour_g: 500, dough_g: 1000, pieces: 12, piece_g: 80, baked: false, shape: 'box', length_cm: 20, width_cm: 10,
  height_cm: 9, base_length_cm: null, base_width_cm: null, hole_cm: 6, count: 12, tins: 1, fill_pct: null, loss_pct: 2, step_g: 1,
  inches: false
}; // prettier-ignore

/** Returns a tin's lengths for the API, only those that its shape has. */
export function tinOf(w: Wish): NonNullable<Schemas['ScalingIn']['tin']> {
  const width_cm = w.shape === 'box' ? w.width_cm : w.length_cm;
  return {
    shape: w.shape,
    length_cm: w.length_cm,
    width_cm,
    height_cm: w.height_cm,
    base_length_cm: w.base_length_cm,
    base_width_cm: w.shape === 'box' ? w.base_width_cm : null,
    hole_cm: w.shape === 'ring' ? w.hole_cm : null,
    count: w.shape === 'cups' ? w.count : 1
  };
}

/** Returns what is asked of the API for a wish. */
export function askedFor(content: Content, w: Wish): Schemas['ScalingIn'] {
  const base = {
    content,
    mixing_loss_pct: w.loss_pct,
    step_g: w.step_g,
    tins: 1,
    baked: false
  };
  if (w.way === 'flour') return { ...base, flour_g: w.flour_g };
  if (w.way === 'dough') return { ...base, dough_g: w.dough_g };
  if (w.way === 'pieces') return { ...base, pieces: w.pieces, piece_g: w.piece_g, baked: w.baked };
  return { ...base, tin: tinOf(w), tins: w.tins, fill: w.fill_pct === null ? null : w.fill_pct / 100 };
}

/** Scaling in the making: what is wished for, and what it gives, live. */
export class Scaling {
  wish = $state<Wish>({ ...BEGINNING });
  result = $state.raw<Schemas['ScaledFormula'] | null>(null);
  wrong = $state('');
  readonly #kept: { read(): Wish; keep(value: Wish): void };
  readonly #asking = new Latest<Schemas['ScalingIn'], Schemas['ScaledFormula']>(
    async (body) => (await ask(api.POST('/api/v1/formula-scalings', { body }))).data,
    (found) => {
      this.result = found;
      this.wrong = '';
    },
    (error) => (this.wrong = wordsOf(error)),
    60
  );

  constructor(formula_id: number) {
    this.#kept = remembered<Wish>(`fallow-sieve.scaling.${formula_id}`, {
      ...BEGINNING,
      step_g: formulas.reference?.scale_shows_g ?? BEGINNING.step_g
    });
    this.wish = this.#kept.read();
  }

  work(content: Content): void {
    this.#kept.keep({ ...this.wish });
    if (content.lines.length) this.#asking.ask(askedFor(content, { ...this.wish }));
  }
}
