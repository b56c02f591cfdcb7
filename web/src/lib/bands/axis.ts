import { scaleLinear, type ScaleLinear } from 'd3-scale';

/** A band's limits in one unit; null: as far as is possible. */
export interface Limits {
  hard_low: number | null;
  good_low: number;
  good_high: number;
  hard_high: number | null;
}

/** A band's axis: where its limits stand, which of them are walls, and the part of the line that is drawn. */
export interface Axis {
  x: ScaleLinear<number, number>;
  low: number;
  high: number;
  /** Hard limits are drawn as walls only where a value could run into them. */
  wallLow: boolean;
  wallHigh: boolean;
}

/** What is possible for a value; null: no upper end. */
export interface Possible {
  lowest: number;
  highest: number | null;
}

const ROOM = 0.06;

/** Returns what the line has to span: the hard limits, and every one of `marks` that lies outside them. */
export function reachOf(
  band: Limits,
  possible: Possible,
  marks: readonly (number | null | undefined)[]
): { from: number; to: number } {
  const known = marks.filter((m): m is number => typeof m === 'number' && Number.isFinite(m));
  const from = Math.min(band.hard_low ?? possible.lowest, ...known);
  const to = Math.max(band.hard_high ?? band.good_high * 1.5, ...known);
  return { from, to };
}

/**
 * Returns the axis for a band on `width` px, from `from` to `to`; a limit at the end of what is possible is no wall.
 */
export function axisOf(band: Limits, possible: Possible, from: number, to: number, width: number): Axis {
  const low = band.hard_low ?? possible.lowest;
  const high = band.hard_high ?? to;
  const room = (to - from) * ROOM;
  const wallLow = low > possible.lowest;
  const wallHigh = band.hard_high !== null && (possible.highest === null || high < possible.highest);
  const x = scaleLinear()
    .domain([from < low || wallLow ? from - room : from, to > high || wallHigh ? to + room : to])
    .range([1, Math.max(2, width - 1)])
    .clamp(true);
  return { x, low, high, wallLow, wallHigh };
}
