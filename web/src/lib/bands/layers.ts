import type { BandResult } from '../api/client';
import type { Limits } from './axis';

export type Layer = NonNullable<BandResult['layers']>[number];

/** Where the bands of several uses are all open, and the names of those that set its ends; null where nowhere. */
export interface Common {
  low: number;
  high: number;
  ofLow: string;
  ofHigh: string;
}

/** Returns what the good bands of all layers have in common; null where they have nothing. */
export function commonOf(layers: readonly Layer[]): Common | null {
  const low = layers.reduce((a, b) => (b.band.good_low > a.band.good_low ? b : a));
  const high = layers.reduce((a, b) => (b.band.good_high < a.band.good_high ? b : a));
  if (low.band.good_low > high.band.good_high) return null;
  return {
    low: low.band.good_low,
    high: high.band.good_high,
    ofLow: low.name,
    ofHigh: high.name
  };
}

/** Returns the limits that an axis for all layers has to span. */
export function spanOf(layers: readonly Layer[]): Limits {
  const bands = layers.map((l) => l.band);
  const least = (values: number[]): number => Math.min(...values);
  const most = (values: number[]): number => Math.max(...values);
  const open = bands.some((b) => b.hard_high === null);
  return {
    hard_low: least(bands.map((b) => b.hard_low ?? 0)),
    good_low: least(bands.map((b) => b.good_low)),
    good_high: most(bands.map((b) => b.good_high)),
    hard_high: open ? null : most(bands.map((b) => b.hard_high ?? 0))
  };
}

/** Returns a sieve as it stands for one of its uses alone. */
export function forUse(result: BandResult, use: string): BandResult | null {
  const layer = result.layers?.find((l) => l.use === use);
  if (!layer) return null;
  return { ...result, band: layer.band, status: layer.status, distance: layer.distance, layers: [] };
}
