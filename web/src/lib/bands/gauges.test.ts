import { describe, expect, it } from 'vitest';
import Warnings from '../formulas/bench/Warnings.svelte';
import type { Gauge } from '../formulas/types';
import { show, words } from '../testing/showing';
import Gauges from './Gauges.svelte';

describe('what a formula is judged by', () => {
  const gauge = (more: Partial<Gauge>): Gauge => ({
    name: 'water',
    label: 'Water',
    unit: '% of flour',
    value: 89.4,
    status: 'pass',
    say: 'passes',
    band: { hard_low: 80, good_low: 87, good_high: 101, hard_high: 108 },
    basis: 'rule of thumb',
    why: '',
    section: 'gauges',
    ...more
  });

  it('stands as value, unit and word, and draws a band only where there is one', () => {
    const unknown = gauge({
      name: 'powder',
      label: 'Baking powder',
      value: 1.25,
      status: 'unknown',
      say: 'not usual here',
      band: null
    });
    const root = show(Gauges, {
      gauges: [gauge({}), gauge({ name: 'binder', label: 'Binder', unit: '× usual', value: 1.004 }), unknown]
    });
    expect([...root.querySelectorAll('li')].map((li) => words(li.querySelector('.value')))).toEqual([
      '89',
      '1.00',
      '1.3'
    ]);
    expect([...root.querySelectorAll('li')].map((li) => li.querySelector('svg') !== null)).toEqual([
      true,
      true,
      false
    ]);
    expect(words(root.querySelector('[data-gauge=powder]'))).toContain('not usual here');
  });

  it('shows where the other one stood, as a ring', () => {
    const root = show(Gauges, { gauges: [gauge({})], others: [gauge({ value: 95 })] });
    expect(root.querySelectorAll('circle.other')).toHaveLength(1);
  });

  it('lists what is odd, and nothing where nothing is', () => {
    const root = show(Warnings, { warnings: ['Salt: 20 % of flour is 10 times the usual 2 %.'] });
    expect(words(root.querySelector('ul[aria-label="To look at"]'))).toBe(
      'Salt: 20 % of flour is 10 times the usual 2 %.'
    );
    expect(show(Warnings, { warnings: [] }).querySelector('ul')).toBeNull();
  });
});
