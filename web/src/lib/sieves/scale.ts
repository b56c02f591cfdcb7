import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { BandResult } from '../api/client';

type Limits = Pick<BandResult['band'], 'good_low' | 'good_high'> & {
  hard_low: number | null;
  hard_high: number | null;
};

/** A sieve's scale: where its limits stand, which of them are walls, and the part of the line that is drawn. */
export interface SieveScale {
  x: ScaleLinear<number, number>;
  low: number;
  high: number;
  /** Hard limits are drawn as walls only where a blend could run into them. */
  wallLow: boolean;
  wallHigh: boolean;
}

const ROOM = 0.06;

/**
 * Returns the scale for a band on `width` px. It spans the hard limits, and every one of `marks` that lies outside
 * them; a limit at the end of what is possible (`lowest`, `highest`) is no wall.
 */
export function sieveScale(
  band: Limits,
  possible: { lowest: number; highest: number | null },
  marks: readonly (number | null | undefined)[],
  width: number
): SieveScale {
  const known = marks.filter((m): m is number => typeof m === 'number' && Number.isFinite(m));
  const low = band.hard_low ?? possible.lowest;
  const high = band.hard_high ?? Math.max(band.good_high * 1.5, ...known);
  const from = Math.min(low, ...known);
  const to = Math.max(high, ...known);
  const room = (to - from) * ROOM;
  const wallLow = low > possible.lowest;
  const wallHigh = band.hard_high !== null && (possible.highest === null || high < possible.highest);
  const x = scaleLinear()
    .domain([from < low || wallLow ? from - room : from, to > high || wallHigh ? to + room : to])
    .range([1, Math.max(2, width - 1)])
    .clamp(true);
  return { x, low, high, wallLow, wallHigh };
}
