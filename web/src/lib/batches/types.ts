import type { Schemas } from '../api/client';

export type Batch = Schemas['BatchOut'];
export type Part = Schemas['PartAtScale'];
export type Bag = Schemas['BagSeen'];
export type Standing = Schemas['BatchStanding'];
export type Lot = Schemas['LotChoice'];

export const STATES: Record<string, string> = {
  planned: 'planned',
  weighing: 'half weighed',
  blended: 'blended',
  bagged: 'in bags',
  'used-up': 'used up',
  abandoned: 'given up'
};

/** A mass as it is read at the scale: whole grams unless the step is finer. */
export function grams(value: number, step = 1): string {
  const places = Math.max(0, -Math.floor(Math.log10(step) + 1e-9));
  return value.toFixed(places).replace(/\B(?=(\d{3})+(?!\d))/g, '\u202f');
}

/** A mass for reading: kg from one on, g below. */
export function kilos(value: number): string {
  return value >= 1000 ? `${(value / 1000).toFixed(2)}\u00a0kg` : `${Math.round(value)}\u00a0g`;
}

/** The part at hand: the one chosen, else one that is over-poured, else the first that is not up to its least. */
export function partNow(parts: readonly Part[], chosen: string): Part | undefined {
  return (
    parts.find((p) => p.ingredient === chosen) ??
    parts.find((p) => p.stands === 'held') ??
    parts.find((p) => p.stands === 'open' || p.stands === 'close') ??
    parts.at(-1)
  );
}

/** How what is in stands to its band, in the words of the sieves; `open` while nothing is in. */
export function standsAt(part: Part, in_g: number): 'open' | 'close' | 'passes' | 'held' {
  if (in_g <= 0) return 'open';
  if (in_g < part.low_g - 1e-6) return 'close';
  return in_g <= part.high_g + 1e-6 ? 'passes' : 'held';
}
