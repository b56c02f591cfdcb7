import { describe, expect, it } from 'vitest';
import type { BandResult } from '../api/client';
import { axisOf, reachOf, type Axis } from './axis';
import { distance, standing } from './words';

const FIBRE = { hard_low: 2, good_low: 4, good_high: 10, hard_high: 16 };
const lineFor = (
  band: Parameters<typeof reachOf>[0],
  possible: Parameters<typeof reachOf>[1],
  marks: (number | null)[]
): Axis => {
  const { from, to } = reachOf(band, possible, marks);
  return axisOf(band, possible, from, to, 300);
};
const PERCENT = { lowest: 0, highest: 100 };

describe('the scale of a sieve', () => {
  it('spans the hard limits, with walls on both', () => {
    const s = lineFor(FIBRE, PERCENT, [6]);
    expect([s.wallLow, s.wallHigh]).toEqual([true, true]);
    expect(s.x(2)).toBeGreaterThan(1);
    expect(s.x(16)).toBeLessThan(299);
    expect(s.x(4)).toBeLessThan(s.x(10));
  });

  it('reaches to a value outside the limits, so that its mark is on the line', () => {
    const s = lineFor(FIBRE, PERCENT, [30, null]);
    expect(s.x(30)).toBeLessThanOrEqual(299);
    expect(s.x(16)).toBeLessThan(s.x(30));
  });

  it('has no wall where a blend cannot run into one', () => {
    const s = lineFor({ ...FIBRE, hard_low: 0, hard_high: 100 }, PERCENT, [6]);
    expect([s.wallLow, s.wallHigh]).toEqual([false, false]);
    expect(s.x(0)).toBe(1);
  });

  it('ends somewhere sensible where there is no upper limit', () => {
    const s = lineFor({ ...FIBRE, hard_high: null }, { lowest: 0, highest: null }, [12]);
    expect(s.wallHigh).toBe(false);
    expect(s.x(12)).toBeLessThanOrEqual(299);
  });
});

describe('words at a sieve', () => {
  it.each([
    [-2.14, 1, '2.1 short'],
    [0.5, 0, '0.5 over'],
    [-0.004, 1, '0.004 short'],
    [12, 1, '12.0 over']
  ])('%d is said as "%s"', (value, decimals, say) => {
    expect(distance(value, decimals)).toBe(say);
  });

  it('say word and distance, and what is known where it cannot be judged', () => {
    const result = (status: string, d: number | null, known = 100): BandResult =>
      ({ status, distance: d, estimate: { known_mass_pct: known } }) as BandResult;
    expect(standing(result('held', -5.9), 1)).toBe('held, 5.9 short');
    expect(standing(result('pass', 0), 1)).toBe('passes');
    expect(standing(result('unknown', null, 80), 1)).toBe('unknown, 80 % of the mix known');
  });
});
