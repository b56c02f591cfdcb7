import type { Schemas } from '../api/client';
import { figure } from './format';

export type Change = Schemas['Change'];

/** Returns a change in words: "Teff 10.0 → 12.5 % of flour", "milk: now contained". */
export function inWords({ label, before, after, unit }: Change, decimals = 1): string {
  if (typeof before === 'string' || typeof after === 'string') {
    if (before === null) return `${label}: now ${after}`;
    return after === null ? `${label}: no more ${before}` : `${label}: ${before} → ${after}`;
  }
  return `${label} ${figure(before ?? 0, decimals)} → ${figure(after ?? 0, decimals)} ${unit}`.trim();
}

/** Returns a side of a change as a number; null where it is absent, unknown or a word. */
export function asNumber(value: Change['before']): number | null {
  return typeof value === 'number' ? value : null;
}
