import { describe, expect, it } from 'vitest';
import { nudged } from './strips';

const line = (seat: number, ...marks: (number | null)[]): Parameters<typeof nudged>[0][number] => ({
  seat,
  name: '',
  dropped: false,
  marks
});

describe('lines of tasters', () => {
  it('lie side by side where they gave one mark, about its middle', () => {
    const found = nudged([line(1, 7, 5), line(2, 7, null), line(3, 8, 5)]);
    expect(found.get(1)).toEqual([-2.5, -2.5]);
    expect(found.get(2)).toEqual([2.5, 0]);
    expect(found.get(3)).toEqual([0, 2.5]);
  });

  it('none is none', () => expect(nudged([]).size).toBe(0));
});
