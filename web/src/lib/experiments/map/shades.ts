import { contours } from 'd3-contour';
import { pathOf, spotOfLattice, type Spot } from './geometry';

type Lattice = {
  steps: number;
  mean: readonly number[];
  se: readonly number[];
  may_be: readonly number[];
  threshold: number;
};

/** Places where the values of the lattice reach a level, as one path on the drawing (even-odd). */
export function pathAt(values: readonly number[], steps: number, level: number): string {
  return ringsAt(values, steps, level).map(pathOf).join('');
}

/** The rings about where the values reach a level, on the drawing. */
export function ringsAt(values: readonly number[], steps: number, level: number): Spot[][] {
  const size = steps + 1;
  const [found] = contours().size([size, size]).thresholds([level])([...values]);
  return (found?.coordinates ?? []).flatMap((polygon) =>
    polygon.map((ring) => ring.map(([x, y]) => spotOfLattice((x ?? 0) - 0.5, (y ?? 0) - 0.5, steps)))
  );
}

const CLEAR = 30; // px from the middle of a loaf to that of a figure that it does not cover

/** Where a level's figure may stand: on its line, inside the outline, clear of what is `there`, nearest to `about`. */
export function labelSpot(
  rings: readonly Spot[][],
  within: readonly Spot[],
  about: Spot,
  there: readonly Spot[] = []
): Spot | null {
  const spots = rings.flat().filter((spot) => isWithin(spot, within));
  const clear = spots.filter((s) => there.every((t) => Math.hypot(s.x - t.x, s.y - t.y) > CLEAR));
  const far = (s: Spot): number => Math.hypot(s.x - about.x, s.y - about.y);
  return (clear.length ? clear : spots).reduce<Spot | null>(
    (best, spot) => (best && far(best) <= far(spot) ? best : spot),
    null
  );
}

export function isWithin(spot: Spot, outline: readonly Spot[]): boolean {
  let found = false;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const [a, b] = [outline[i]!, outline[j]!];
    if (a.y > spot.y !== b.y > spot.y && spot.x < ((b.x - a.x) * (spot.y - a.y)) / (b.y - a.y) + a.x)
      found = !found;
  }
  return found;
}

/** All that is painted of a lattice: a path for each level, chalk where it is a guess, where the best may lie. */
export function painted(
  lattice: Lattice,
  levels: readonly number[],
  chalk: number
): { bands: { level: number; d: string; rings: Spot[][] }[]; chalk: string; may: string } {
  const { steps } = lattice;
  const bands = levels.map((level) => {
    const rings = ringsAt(lattice.mean, steps, level);
    return { level, rings, d: rings.map(pathOf).join('') };
  });
  return {
    bands,
    chalk: pathAt(lattice.se, steps, chalk),
    may: pathAt(lattice.may_be, steps, lattice.threshold)
  };
}

/** Which of five shades a value has, 0 the palest. */
export function shadeOf(value: number | null, levels: readonly number[]): number {
  return value === null ? 0 : levels.filter((l) => value >= l).length;
}
