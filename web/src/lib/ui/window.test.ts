import { describe, expect, it } from 'vitest';
import { span } from './window';

describe('the window over a long list', () => {
  it('holds what is in sight and some on either side', () => {
    expect(span(0, 380, 38, 5000)).toMatchObject({ first: 0, last: 34, above_px: 0 });
    expect(span(38 * 1000, 380, 38, 5000)).toMatchObject({ first: 988, last: 1022 });
  });

  it.each([0, 500, 38 * 4990, 1e9])('always stands for every row, at %i px', (at) => {
    const found = span(at, 400, 38, 5000);
    expect(found.above_px + found.below_px + (found.last - found.first) * 38).toBe(5000 * 38);
    expect(found.first).toBeGreaterThanOrEqual(0);
    expect(found.last).toBeLessThanOrEqual(5000);
    expect(found.last - found.first).toBeLessThan(40);
  });

  it('is whole for a short list', () => {
    expect(span(0, 400, 38, 3)).toEqual({ first: 0, last: 3, above_px: 0, below_px: 0 });
    expect(span(0, 400, 38, 0)).toMatchObject({ first: 0, last: 0 });
  });
});
