import { figure } from '../../ui/format';
import type { NumberRow } from './ingredient.svelte';

/** Returns decimals that tell a number's range apart: more where the range is narrow. */
export function placesFor(row: Pick<NumberRow, 'decimals' | 'range'>): number {
  const width = row.range ? row.range.high - row.range.low : 0;
  return width > 0 && width <= 10 ** -row.decimals ? row.decimals + 1 : row.decimals;
}

/** Returns where a row's line ends: the highest of all its layers, with some room. */
export function lineEnd(row: Pick<NumberRow, 'layers' | 'range'>): number {
  const highs = [...row.layers.map((l) => l.high), row.range?.high ?? 0];
  return Math.max(...highs) * 1.08 || 1;
}

/** Reads "8.2", "8,2" or "8.2 ± 0.3" or "7.9–8.5" as a number with its range; null where it is none. */
export function readRange(text: string): { typical: number; low?: number; high?: number } | null {
  const clean = text
    .replace(/[\s\u202f\u00a0]/g, '')
    .replaceAll(',', '.')
    .replaceAll('−', '-');
  const number = '(-?\\d{1,9}(?:\\.\\d{0,6})?)';
  const one = new RegExp(`^${number}$`).exec(clean);
  if (one) return { typical: Number(one[1]) };
  const about = new RegExp(`^${number}(?:±|\\+/-|\\+-)(\\d{1,9}(?:\\.\\d{0,6})?)$`).exec(clean);
  if (about) {
    const [typical, reach] = [Number(about[1]), Number(about[2])];
    return { typical, low: Math.max(0, typical - reach), high: typical + reach };
  }
  const between = new RegExp(`^${number}[–-]${number}$`).exec(clean);
  if (!between) return null;
  const [low, high] = [Number(between[1]), Number(between[2])];
  return low <= high ? { typical: (low + high) / 2, low, high } : null;
}

/** Returns a range in words: "8.0 (6.4–9.6)". */
export function rangeWords(r: { low: number; typical: number; high: number }, places: number): string {
  const spread = r.high > r.low ? ` (${figure(r.low, places)}–${figure(r.high, places)})` : '';
  return `${figure(r.typical, places)}${spread}`;
}
