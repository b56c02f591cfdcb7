import { beforeEach, describe, expect, it } from 'vitest';
import { kitchen } from '../../app/kitchen.svelte';
import { benchOf, formulaServer, still } from '../../testing/formulas';
import type { TestServer } from '../../testing/server';
import { choose, show, words } from '../../testing/showing';
import FinishedTab from './FinishedTab.svelte';

let server: TestServer;

beforeEach(() => {
  localStorage.clear();
  const nutrients = [
    'energy_kj',
    'energy_kcal',
    'fat_g',
    'saturated_fat_g',
    'carbohydrate_g',
    'sugars_g',
    'starch_g',
    'fibre_g',
    'protein_g',
    'salt_g',
    'water_g'
  ].map((name) => ({ name, label: name.split('_')[0], unit: name.split('_').at(-1) }));
  kitchen.settings = { mass_unit: 'g', energy_unit: 'kj', currency: '' } as never;
  kitchen.reference = {
    uses: [{ slug: 'tin-loaf', name: 'Tin loaf' }],
    metrics: [],
    roles: [],
    nutrients
  } as never;
  server = formulaServer();
});

describe('the finished tab', () => {
  const e = (typical: number | null, low: number | null, high: number | null, known_mass_pct = 100) => ({
    typical,
    low,
    high,
    known_mass_pct,
    sigma: 0
  });
  const finished = (changes: object = {}) => ({
    before_g: 1750, after_g: 1540, lost_g: 210, pieces: 2, piece_g: 770, say: '2 pieces of 770 g after 210 g of water has left.',
    per_100_g: { energy_kj: e(1000, 950, 1050), fat_g: e(4.1, 4, null, 92), salt_g: e(1.234, 1.2, 1.3), sugars_g: e(null, null, null, 0) },
    portion: { name: 'piece', mass_g: 770, in_batch: 2, usual: true },
    per_portion: { energy_kj: e(7700, 7315, 8085), fat_g: e(31.6, 30, null, 92) },
    cost: 5, cost_per_portion: 2.5, unpriced: [], bought_cost_per_portion: null, ...changes
  }); // prettier-ignore

  it('marks a lower bound, says what is not known, and asks with the loss that was measured', async () => {
    server.on('POST', '/finished-bakes', () => finished());
    const root = show(FinishedTab, { bench: await benchOf(server) });
    await still(server);
    const rows = new Map(
      [...root.querySelectorAll('tbody tr')].map((r) => [words(r.querySelector('th')), words(r)])
    );
    expect(rows.get('fat, g')).toBe('fat, g≥ 4.1≥ 31.692 %');
    expect(rows.get('salt, g')).toBe('salt, g1.231.20–1.30not known100 %');
    expect(rows.get('sugars, g')).toContain('not known');
    expect(words(root)).toContain('2.50 a piece, 5.00 the batch.');
    choose(root.querySelector('input')!, '10,5');
    await still(server);
    expect(server.lastOf('/finished-bakes')?.body).toMatchObject({ loss_pct: 10.5, bought_per_kg: null });
  });

  it('names what has no price, instead of a cost', async () => {
    server.on('POST', '/finished-bakes', () =>
      finished({ cost: null, cost_per_portion: null, unpriced: ['Cider vinegar'] })
    );
    const root = show(FinishedTab, { bench: await benchOf(server) });
    await still(server);
    expect(words(root)).toContain('What a piece costs is not known: no price for Cider vinegar.');
  });
});
