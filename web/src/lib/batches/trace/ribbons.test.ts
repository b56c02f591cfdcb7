import { describe, expect, it } from 'vitest';
import type { Schemas } from '../../api/client';
import { drawn, outline } from './ribbons';

const link = (lot_id: number | null, batch_id: number, place: string, mass_g: number): Schemas['Link'] => ({
  lot_id,
  batch_id,
  place,
  mass_g,
  pct: 0,
  bags: 0
});

const trace = {
  title: 'LI-061',
  say: '',
  balanced: true,
  lots: [{ id: 1 }, { id: 2 }],
  batches: [{ id: 7, in_g: 3000, made_g: 2950 }],
  places: ['in the house', 'Viaduct halt'],
  links: [
    link(1, 7, '', 1000),
    link(2, 7, '', 2000),
    link(null, 7, 'in the house', 2450),
    link(null, 7, 'Viaduct halt', 500)
  ]
} as unknown as Schemas['TraceOut'];

describe('the ribbons of a trace', () => {
  it('are as thick as their grams, and leave one below the other', () => {
    const found = drawn(trace, 300, 10);
    const [small, large] = found.ribbons;
    expect(large!.h1 / small!.h1).toBeCloseTo(2);
    expect(large!.y2).toBeCloseTo(small!.y2 + small!.h2);
    expect(found.batches[0]!.h).toBeCloseTo(small!.h2 + large!.h2);
  });

  it('never run out of their layer', () => {
    const found = drawn(trace, 300, 10);
    for (const r of found.ribbons) {
      const box = [...found.batches, ...found.places].find((b) => b.key === r.to)!;
      expect(r.y2 + r.h2).toBeLessThanOrEqual(box.y + box.h + 0.01);
    }
    expect(outline(found.ribbons[0]!, 0, 100)).toMatch(/^M0 .*Z$/);
  });

  it('of nothing are none', () => {
    const empty = { ...trace, lots: [], batches: [], places: [], links: [] };
    expect(drawn(empty, 300, 10).ribbons).toEqual([]);
  });
});
