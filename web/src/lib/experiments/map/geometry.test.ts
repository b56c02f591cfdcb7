import { describe, expect, it } from 'vitest';
import {
  inside,
  sharesAt,
  spotAt,
  spotOf,
  spotOfLattice,
  stepped,
  TRIANGLE,
  weightsAt,
  weightsOf
} from './geometry';

const VERTICES = [
  [0.77, 0, 0.23],
  [0.26, 0.51, 0.23],
  [0.26, 0, 0.74]
];

describe('points on the triangle', () => {
  it('go there and back again', () => {
    const x = [0.45, 0.15, 0.4];
    const weights = weightsOf(x, VERTICES);
    sharesAt(weights, VERTICES).forEach((v, i) => expect(v).toBeCloseTo(x[i]!, 9));
    weightsAt(spotAt(weights)).forEach((v, i) => expect(v).toBeCloseTo(weights[i]!, 9));
  });

  it('corners lie on corners, of four parts at a slice too', () => {
    const four = VERTICES.map((v) => [...v.map((s) => s * 0.8), 0.2]);
    for (const vertices of [VERTICES, four])
      vertices.forEach((v, k) => {
        expect(spotOf(v, vertices).x).toBeCloseTo(TRIANGLE[k]!.x, 6);
        expect(spotOf(v, vertices).y).toBeCloseTo(TRIANGLE[k]!.y, 6);
      });
  });

  it('the lattice runs from the first corner to the second and the third', () => {
    expect(spotOfLattice(0, 0, 60)).toEqual(TRIANGLE[0]);
    expect(spotOfLattice(60, 0, 60).y).toBeCloseTo(TRIANGLE[1]!.y, 9);
    expect(spotOfLattice(0, 60, 60).x).toBeCloseTo(TRIANGLE[2]!.x, 9);
  });

  it('a place outside is brought to the edge', () => {
    const cut = inside([1.2, -0.2, 0]);
    expect(Math.min(...cut)).toBe(0);
    expect(cut.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
  });
});

describe('arrows', () => {
  it('trade a hundredth between two parts and keep the sum', () => {
    expect(stepped([0.5, 0.2, 0.3], 'ArrowRight', 0.01)).toEqual([0.49, 0.2, 0.31]);
    expect(stepped([0.5, 0.2, 0.3], 'ArrowUp', 0.05).reduce((a, b) => a + b, 0)).toBeCloseTo(1, 12);
    expect(stepped([0, 0.7, 0.3], 'ArrowRight', 0.01)).toEqual([0, 0.7, 0.3]);
  });
});
