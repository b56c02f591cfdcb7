import { describe, expect, it } from 'vitest';
import { layersOf, planFor, spread } from './layout';

describe('the layers of a column', () => {
  it('fill the height in proportion, the first at the base', () => {
    const layers = layersOf(
      [
        { slug: 'base', share: 60 },
        { slug: 'top', share: 40 }
      ],
      500
    );
    expect(layers).toEqual([
      { slug: 'base', y: 200, h: 300 },
      { slug: 'top', y: 0, h: 200 }
    ]);
  });

  it('are none where there is no mass', () => {
    expect(layersOf([], 500)).toEqual([]);
    expect(layersOf([{ slug: 'a', share: 0 }], 500)).toEqual([]);
  });
});

describe('rows beside the layers', () => {
  it('stand beside their own layer where there is room', () => {
    expect(spread([450, 250, 50], 40, 500)).toEqual([450, 250, 50]);
  });

  it('keep their distance beside thin seams, in order and inside the column', () => {
    const placed = spread([480, 30, 8, 3], 40, 500);
    for (let i = 1; i < placed.length; i++) expect(placed[i - 1]! - placed[i]!).toBeGreaterThanOrEqual(40);
    expect(Math.max(...placed)).toBeLessThanOrEqual(480);
    expect(Math.min(...placed)).toBeGreaterThanOrEqual(20);
  });

  it('fit exactly when they fill the column', () => {
    expect(spread([490, 480, 470, 460, 450], 100, 500)).toEqual([450, 350, 250, 150, 50]);
  });
});

it('less room makes a narrower column whose leaders still reach past the ghost', () => {
  const plans = [360, 450, 600].map(planFor);
  expect(plans.map((p) => p.width)).toEqual([52, 80, 104]);
  for (const p of plans) expect(p.end).toBeGreaterThan(p.ghost_x + p.ghost_width);
});
