import type { BandResult } from '../api/client';
import { figure } from '../ui/format';

export type Status = BandResult['status'];

export const STATUS_WORDS: Record<Status, string> = {
  pass: 'passes',
  close: 'close',
  held: 'held',
  unknown: 'unknown'
};

/** The class that colours a status; its mark and word say the same. */
export const STATUS_CLASS: Record<Status, string> = {
  pass: 'passes',
  close: 'close',
  held: 'held',
  unknown: 'unknown'
};

/** Returns how a blend stands at a sieve: "held, 2.1 short". */
export function standing(result: BandResult, decimals: number): string {
  const word = STATUS_WORDS[result.status];
  if (result.status === 'unknown') return unknownWord(result);
  if (result.distance === null || result.status === 'pass') return word;
  return `${word}, ${distance(result.distance, decimals)}`;
}

function unknownWord(result: BandResult): string {
  const known = result.estimate.known_mass_pct;
  return `unknown, ${figure(known, 0)} % of the mix known`;
}

/** Returns a distance as "0.03 short" or "1.2 over", with as many decimals as it takes to show it. */
export function distance(value: number, decimals: number): string {
  let places = Math.max(1, decimals);
  while (places < 4 && Number(Math.abs(value).toFixed(places)) === 0) places += 1;
  return `${figure(Math.abs(value), places)} ${value < 0 ? 'short' : 'over'}`;
}

/** How a document in a list stands: the mark and the word for each state. */
export const STANDS: Record<string, { status: Status; word: string }> = {
  passes: { status: 'pass', word: 'passes' },
  close: { status: 'close', word: 'close' },
  held: { status: 'held', word: 'held' },
  empty: { status: 'unknown', word: 'empty' },
  unjudged: { status: 'unknown', word: 'not judged' }
};
