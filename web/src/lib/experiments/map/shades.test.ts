import { describe, expect, it } from 'vitest';
import { TRIANGLE } from './geometry';
import { isWithin, labelSpot, ringsAt, shadeOf } from './shades';

const STEPS = 20;
/** Values that rise from the first corner to the second. */
const rising = Array.from({ length: (STEPS + 1) ** 2 }, (_, n) => (n % (STEPS + 1)) / STEPS);

describe('contours of the lattice', () => {
  it('a level half way lies half way between two corners', () => {
    const spots = ringsAt(rising, STEPS, 0.5).flat();
    const middle = (TRIANGLE[0]!.y + TRIANGLE[1]!.y) / 2;
    expect(Math.min(...spots.map((s) => Math.abs(s.y - middle)))).toBeLessThan(8);
  });

  it('a label stands on its line and inside the outline', () => {
    const spot = labelSpot(ringsAt(rising, STEPS, 0.3), TRIANGLE, { x: 350, y: 200 });
    expect(spot && isWithin(spot, TRIANGLE)).toBe(true);
    expect(labelSpot([], TRIANGLE, { x: 0, y: 0 })).toBeNull();
  });

  it('a label is not covered by a loaf, as long as its line has room elsewhere', () => {
    const rings = ringsAt(rising, STEPS, 0.3);
    const about = { x: 350, y: 200 };
    const covered = labelSpot(rings, TRIANGLE, about)!;
    const clear = labelSpot(rings, TRIANGLE, about, [covered])!;
    expect(Math.hypot(clear.x - covered.x, clear.y - covered.y)).toBeGreaterThan(30);
    expect(labelSpot(rings, TRIANGLE, about, rings.flat())).toEqual(covered);
  });
});

describe('shades', () => {
  it('count the levels that a value reaches', () => {
    expect([4.4, 4.5, 5.2, 6.5, null].map((v) => shadeOf(v, [4.5, 5, 5.5, 6]))).toEqual([0, 1, 2, 4, 0]);
  });
});
