import { describe, expect, it } from 'vitest';
import type { BandResult } from '../api/client';
import { commonOf, forUse, spanOf, type Layer } from './layers';

function layer(name: string, good_low: number, good_high: number, more: Partial<Layer> = {}): Layer {
  const band = { hard_low: 0, good_low, good_high, hard_high: 20 } as Layer['band'];
  return { use: name.toLowerCase(), name, band, status: 'pass', distance: 0, ...more };
}

describe('the bands of several uses', () => {
  it('have in common what lies above all low edges and under all high ones, named by who sets them', () => {
    const found = commonOf([layer('Cookie', 2, 9), layer('Sponge', 4, 12), layer('Pastry', 1, 8)]);
    expect(found).toEqual({ low: 4, high: 8, ofLow: 'Sponge', ofHigh: 'Pastry' });
  });

  it('may have nothing in common, or a single value', () => {
    expect(commonOf([layer('Lean', 0, 4), layer('Rich', 8, 16)])).toBeNull();
    expect(commonOf([layer('Lean', 0, 4), layer('Rich', 4, 16)])).toMatchObject({ low: 4, high: 4 });
  });

  it('span from the lowest wall to the highest, open above where one of them is', () => {
    const open = layer('Open', 5, 30);
    open.band.hard_high = null as unknown as number;
    expect(spanOf([layer('A', 2, 9)])).toEqual({ hard_low: 0, good_low: 2, good_high: 9, hard_high: 20 });
    expect(spanOf([layer('A', 2, 9), open])).toMatchObject({ good_low: 2, good_high: 30, hard_high: null });
  });

  it('are shown for one use alone as that use has them', () => {
    const layers = [layer('Lean', 0, 4, { status: 'close', distance: 2 }), layer('Rich', 4, 16)];
    const result = { band: layers[1]!.band, status: 'pass', distance: 0, layers } as unknown as BandResult;
    expect(forUse(result, 'lean')).toMatchObject({ status: 'close', distance: 2, layers: [] });
    expect(forUse(result, 'nobody')).toBeNull();
  });
});
