import { describe, expect, it } from 'vitest';
import type { Part } from '../../api/client';
import { moveAcross, sameParts, sidesOf, tidy, total, weighed, withMass, withParts } from './moves';
import { stepFor } from '../../ui/cell/steps';

const part = (ingredient: string, mass_g: number, locked = false): Part =>
  weighed(ingredient, mass_g, { locked });
const PARTS = [part('a', 300), part('b', 150), part('c', 50)];
const ORDER = ['a', 'b', 'c'];

describe('a step suits the mass', () => {
  it.each([
    [1050, 5],
    [1000, 5],
    [500, 2],
    [105, 0.5],
    [20, 0.1],
    [1, 0.1],
    [25_000, 100]
  ])('%d g moves in steps of %d g', (mass, step) => {
    expect(stepFor(mass)).toBeCloseTo(step);
  });
});

describe('mass that moves across a boundary', () => {
  it('leaves one side and comes to the other, so that the total stays', () => {
    const after = moveAcross(PARTS, ORDER, 0, 25);
    expect(after.map((p) => p.mass_g)).toEqual([325, 125, 50]);
    expect(total(after)).toBe(500);
  });

  it('goes the other way when it is negative', () => {
    expect(moveAcross(PARTS, ORDER, 1, -30).map((p) => p.mass_g)).toEqual([300, 120, 80]);
  });

  it('stops at a trace, whichever way', () => {
    expect(moveAcross(PARTS, ORDER, 1, 999).map((p) => p.mass_g)).toEqual([300, 199.9, 0.1]);
    expect(moveAcross(PARTS, ORDER, 1, -999).map((p) => p.mass_g)).toEqual([300, 0.1, 199.9]);
  });

  it('passes over what is locked to the nearest part that is free', () => {
    const locked = [part('a', 300), part('b', 150, true), part('c', 50)];
    expect(sidesOf(locked, ORDER, 0)).toMatchObject({
      below: { ingredient: 'a' },
      above: { ingredient: 'c' }
    });
    expect(moveAcross(locked, ORDER, 1, 20).map((p) => p.mass_g)).toEqual([320, 150, 30]);
  });

  it('does not move where one side is all locked', () => {
    const locked = [part('a', 300, true), part('b', 150), part('c', 50)];
    expect(sidesOf(locked, ORDER, 0)).toBeNull();
    expect(moveAcross(locked, ORDER, 0, 20)).toBe(locked);
  });

  it('keeps the total over many small moves', () => {
    let parts: readonly Part[] = PARTS;
    for (let n = 0; n < 500; n++) parts = moveAcross(parts, ORDER, n % 2, ((n * 7) % 13) * 0.1 - 0.6);
    expect(total(parts)).toBeCloseTo(500, 9);
    expect(parts.every((p) => p.mass_g >= 0.1)).toBe(true);
  });

  it('never changes the parts it was given', () => {
    moveAcross(PARTS, ORDER, 0, 25);
    expect(PARTS[0]!.mass_g).toBe(300);
  });
});

describe('parts', () => {
  it('are the same in any order, but not with another mass, lock or ingredient', () => {
    expect(sameParts(PARTS, [...PARTS].reverse())).toBe(true);
    expect(sameParts(PARTS, withMass(PARTS, 'a', 301))).toBe(false);
    expect(sameParts(PARTS, [part('a', 300, true), ...PARTS.slice(1)])).toBe(false);
    expect(sameParts(PARTS, PARTS.slice(1))).toBe(false);
    expect(sameParts(PARTS, [part('x', 300), ...PARTS.slice(1)])).toBe(false);
  });

  it('have masses without what binary arithmetic adds', () => {
    expect(tidy(0.1 + 0.2)).toBe(0.3);
  });
});

describe('parts that are only known within a range', () => {
  const unsure = weighed('a', 100, { low_ratio: 0.8, high_ratio: 1.2 });

  it('are known once somebody sets their mass', () => {
    expect(withMass([unsure], 'a', 90)).toEqual([weighed('a', 90)]);
    expect(sameParts([unsure], [weighed('a', 100)])).toBe(false);
  });

  it('become one with the same that is there, its range from both', () => {
    const [both, other] = withParts([weighed('a', 300)], [unsure, weighed('b', 5)]);
    expect(both).toEqual(weighed('a', 400, { low_ratio: 0.95, high_ratio: 1.05 }));
    expect(other).toEqual(weighed('b', 5));
  });
});
