import { describe, expect, it } from 'vitest';
import { ticksOf, type MixOnRecord } from './practice.svelte';

const mix = (values: Record<string, number>): MixOnRecord => ({
  key: 'm',
  mix_class: 'plain',
  made_of: '60 white rice flour, 40 potato starch',
  carried_by: 'egg',
  why: 'Soft and white',
  values
});

describe('the mixes on record under a sieve', () => {
  it('stand where they lie and say what they are and why they work', () => {
    expect(ticksOf([mix({ grit_index: 1.4 })], 'grit_index')).toEqual([
      { at: 1.4, says: '60 white rice flour, 40 potato starch. Soft and white' }
    ]);
  });

  it('leave out a mix without the number, for unknown is not zero', () => {
    expect(ticksOf([mix({ grit_index: 1.4 }), mix({})], 'thirst_g_per_g')).toEqual([]);
  });
});
