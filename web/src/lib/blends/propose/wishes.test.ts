import { describe, expect, it } from 'vitest';
import type { BriefWishes, Give } from './lines';
import { asWhy, phrases, relaxed, relaxWords, withValue, without } from './wishes';

const WISHES: BriefWishes = {
  use: 'tin-loaf',
  exclude_allergens: ['tree-nuts'],
  exclude: ['oat-flour'],
  diets: ['vegan'],
  bands: [{ metric: 'fibre_pct', hard_low: 5, good_low: 6 }],
  max_bins: 4,
  price_cap_per_kg: 4.2,
  gluten_cap_mg_per_kg: 20,
  bag: 'complete',
  max_gum_pct: 0.5,
  lock: { 'teff-flour': 12 },
  require: { 'brown-rice-flour': { min_pct: 10, max_pct: 100 } },
  use_up: ['millet-flour'],
  binder: { 'psyllium-husk': 5 },
  binder_apart: true,
  in_stock: true,
  batch_g: 2000,
  robust: true
};
const WORDS = {
  nameOf: (slug: string) => slug.replace('-', ' '),
  metric: () => ({ label: 'Fibre', unit: 'g/100 g' }),
  useName: (slug: string) => slug,
  currency: 'TL'
};
const said = (w: BriefWishes): string[] =>
  phrases(w, WORDS).map((p) => [p.before, p.value ?? '', p.after].filter((x) => x !== '').join(' '));

function give(limit: string, side: string, by: number, to: number): Give {
  return { limit, side, by, to, unit: '', say: '' };
}

describe('several uses in the wishes', () => {
  const both: BriefWishes = {
    use: 'scone',
    uses: [
      { use: 'scone', weight: 2 },
      { use: 'pancake', weight: 1 }
    ]
  };

  it('are said with how much each counts, and typed over one by one', () => {
    expect(said(both)).toEqual(['for scone × 2', 'for pancake × 1']);
    expect(withValue(both, 'uses/pancake', 3).uses).toEqual([
      { use: 'scone', weight: 2 },
      { use: 'pancake', weight: 3 }
    ]);
  });

  it('leave the mix for the one that is left', () => {
    expect(without(both, 'uses/scone')).toMatchObject({ use: 'pancake', uses: [] });
    const three = { ...both, uses: [...both.uses!, { use: 'crepe', weight: 1 }] };
    expect(without(three, 'uses/pancake')).toMatchObject({
      use: 'scone',
      uses: [{ use: 'scone' }, { use: 'crepe' }]
    });
  });
});

describe('wishes in words', () => {
  it('says each wish as one would', () => {
    expect(said(WISHES)).toEqual([
      'without tree nuts',
      'without oat flour',
      'vegan',
      'at least 5 g/100 g fibre, without fail',
      'at least 6 g/100 g fibre',
      'at most 4 bins of flour',
      'at most 4.2 TL per kg',
      'gluten at most 20 mg/kg by test; unknown is not allowed',
      'a complete mix',
      'gums at most 0.5 % of flour',
      'teff flour locked at 12 %',
      'brown rice-flour at least 10 %',
      'using up millet flour',
      'with psyllium husk, 5 % of flour',
      'the binder kept apart from the bag',
      'from what is in stock for a batch of 2000 g',
      'certain: hard limits hold at the 95 % end of every range'
    ]);
  });

  it('says nothing where nothing is wished', () => {
    expect(said({ use: 'scone' })).toEqual([]);
  });

  it('drops any of them, and only that one', () => {
    const all = phrases(WISHES, WORDS);
    for (const wish of all) {
      const left = phrases(without(WISHES, wish.key), WORDS).map((p) => p.key);
      expect(left).toEqual(all.map((p) => p.key).filter((key) => key !== wish.key));
    }
  });

  it('takes a new number for any that has one', () => {
    for (const wish of phrases(WISHES, WORDS).filter((p) => p.value !== null)) {
      const changed = phrases(withValue(WISHES, wish.key, 7), WORDS).find((p) => p.key === wish.key);
      expect(changed?.value).toBe(7);
    }
    expect(withValue(WISHES, 'max_bins', 3.4).max_bins).toBe(3);
  });
});

describe('letting a wish out', () => {
  it('goes as far as it has to, on the side of what can be', () => {
    expect(relaxed(WISHES, give('fibre_pct', 'low', -0.83, 4.17)).bands?.[0]).toMatchObject({
      hard_low: 4.1
    });
    expect(relaxed(WISHES, give('grit_index', 'high', 0.42, 3.02)).bands?.[1]).toMatchObject({
      hard_high: 3.1
    });
    expect(relaxed(WISHES, give('max_bins', '', 1, 5)).max_bins).toBe(5);
    expect(relaxed(WISHES, give('price_cap_per_kg', '', 0.331, 4.531)).price_cap_per_kg).toBe(4.6);
    expect(relaxed(WISHES, give('lock/teff-flour', 'low', -2, 10)).lock).toEqual({ 'teff-flour': 10 });
    expect(relaxed(WISHES, give('require/brown-rice-flour', 'low', -10, 0)).require).toEqual({});
  });

  it('drops what is no number', () => {
    expect(relaxed(WISHES, give('exclude/oat-flour', '', 12, 12)).exclude).toEqual([]);
    expect(relaxed(WISHES, give('exclude_allergens/tree-nuts', '', 3, 3)).exclude_allergens).toEqual([]);
    expect(relaxed(WISHES, give('stock/teff-flour', '', 3, 3)).in_stock).toBe(false);
  });

  it('names itself on its button', () => {
    expect(relaxWords(give('max_bins', '', 1, 5), '', WORDS)).toBe('Allow 5 bins');
    expect(relaxWords(give('fibre_pct', 'low', -0.83, 4.17), '', WORDS)).toBe(
      'Allow fibre down to 4.1 g/100 g'
    );
    expect(relaxWords(give('exclude/oat-flour', '', 9, 9), 'without oat flour', WORDS)).toBe(
      'Drop “without oat flour”'
    );
    expect(relaxWords(give('price_cap_per_kg', '', 0.3, 4.5), '', WORDS)).toBe('Allow 4.50 per kg');
  });
});

describe('the why of a revision', () => {
  it('holds the aim and the wishes, in 500 characters at most', () => {
    const why = asWhy('cheapest', 'Tin loaf', phrases(WISHES, WORDS));
    expect(why).toMatch(/^Proposed: cheapest, for Tin loaf; without tree nuts; /);
    expect(why.length).toBeLessThanOrEqual(500);
    expect(asWhy('mildest', 'Scones', [])).toBe('Proposed: mildest, for Scones.');
  });
});
