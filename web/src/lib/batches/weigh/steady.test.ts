import { describe, expect, it } from 'vitest';
import { enough, Steady } from './steady';

describe('a scale that stands still', () => {
  it('agrees four times within a step', () => {
    const steady = new Steady();
    const seen = [597, 597, 598, 597].map((g) => steady.see(g, true, 1));
    expect(seen.map(enough)).toEqual([false, false, false, true]);
  });

  it('begins anew where it moves or says that it moves', () => {
    const steady = new Steady();
    for (const g of [597, 597, 597]) steady.see(g, true, 1);
    expect(enough(steady.see(620, true, 1))).toBe(false);
    expect(enough(steady.see(620, false, 1))).toBe(false);
    for (let n = 0; n < 2; n++) expect(enough(steady.see(620, true, 1))).toBe(false);
    expect(enough(steady.see(620, true, 1))).toBe(true);
  });
});
