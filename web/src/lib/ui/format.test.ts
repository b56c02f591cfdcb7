import { describe, expect, it } from 'vitest';
import { asProblem } from '../api/client';
import { BriefDraft, optionalNumber } from '../briefs/brief.svelte';
import { counted, figure, mass, massFigure, money, readMass, readNumber, signed } from './format';

describe('figures', () => {
  it.each([
    [1050, 0, '1\u202f050'],
    [1234567.891, 1, '1\u202f234\u202f567.9'],
    [-2.5, 1, '−2.5'],
    [-0.01, 1, '0.0'],
    [null, 1, '–'],
    [undefined, 1, '–'],
    [Infinity, 1, '–']
  ])('%s with %d decimals is %s', (value, decimals, text) => {
    expect(figure(value, decimals)).toBe(text);
  });

  it('carry a sign where they are a difference', () => {
    expect([signed(0.25, 1), signed(-1, 1), signed(0, 1)]).toEqual(['+0.3', '−1.0', '0.0']);
  });

  it('of mass are whole grams where that is exact enough, and ounces in the kitchen that wants them', () => {
    expect([massFigure(300, 'g'), massFigure(12.54, 'g'), massFigure(28.349523125, 'oz')]).toEqual([
      '300',
      '12.5',
      '1.00'
    ]);
    expect(mass(5, 'g')).toBe('5\u00a0g');
  });

  it('of money name the currency where there is one', () => {
    expect([money(3.9, ''), money(3.9, 'TL'), money(null, 'TL')]).toEqual(['3.90', '3.90\u00a0TL', '–']);
  });
});

describe('what is typed', () => {
  it.each([
    ['300', 300],
    ['12,5', 12.5],
    [' 1 050 ', 1050],
    ['1\u202f050', 1050],
    ['0', null],
    ['-5', null],
    ['1e3', null],
    ['', null],
    ['lots', null]
  ])('“%s” is read as %s', (text, value) => {
    expect(readNumber(text)).toBe(value);
  });

  it('as a mass may carry its unit', () => {
    expect(readMass('300 g', 'g')).toBe(300);
    expect(readMass('2oz', 'oz')).toBeCloseTo(56.699);
  });

  it('comes back from what is shown', () => {
    for (const grams of [0.1, 7, 12.5, 1050, 25_000])
      expect(readMass(massFigure(grams, 'g'), 'g')).toBe(grams);
  });
});

describe('a brief that is written', () => {
  const label = (name: string): string => name;

  it('says which number will not do', () => {
    expect(() => optionalNumber('five', 'Bins', true)).toThrow(
      'Bins: “five” will not do; give a whole number'
    );
    expect(() => optionalNumber('2.5', 'Bins', true)).toThrow('whole number');
    expect(optionalNumber(' 4,5 ', 'Price')).toBe(4.5);
    expect(optionalNumber('', 'Price')).toBeNull();
  });

  it('joins two wishes about one metric into one band', () => {
    const draft = new BriefDraft();
    draft.name = 'Loaf';
    draft.wishes = [
      { metric: 'fibre_pct', side: 'least', text: '5' },
      { metric: 'fibre_pct', side: 'most', text: '9' },
      { metric: 'fat_pct', side: 'most', text: '' }
    ];
    expect(draft.toBody(label).limits?.bands).toEqual([{ metric: 'fibre_pct', good_low: 5, good_high: 9 }]);
  });

  it('comes back as it was stored', () => {
    const limits = {
      exclude_allergens: ['egg'],
      exclude: [],
      price_cap_per_kg: 4.2,
      max_bins: 5,
      gluten_cap_mg_per_kg: null,
      bag: 'self-raising' as const,
      max_gum_pct: 0.5,
      bands: [{ metric: 'fibre_pct', hard_low: null, good_low: 6, good_high: null, hard_high: null }],
      uses: []
    };
    const stored = {
      id: 1,
      name: 'Loaf',
      use: 'tin-loaf',
      eaters: '',
      aim: 'nearest',
      note: '',
      limits,
      archived: false,
      created_at: '',
      updated_at: '',
      version: 1
    };
    const body = BriefDraft.from(stored, '"1"').toBody(label);
    expect(body.limits).toMatchObject({
      exclude_allergens: ['egg'],
      price_cap_per_kg: 4.2,
      max_bins: 5,
      bag: 'self-raising',
      max_gum_pct: 0.5,
      bands: [{ metric: 'fibre_pct', good_low: 6 }]
    });
  });
});

it('an error of the API keeps its place, and one that is none keeps its status', () => {
  const problem = asProblem({ detail: 'a mass of 0 g', place: '/parts/0/mass_g' }, 422);
  expect([problem.message, problem.place, problem.status]).toEqual(['a mass of 0 g', '/parts/0/mass_g', 422]);
  expect(asProblem(null, 502).message).toBe('The server answered 502.');
});

describe('a count', () => {
  it.each([
    [1, '1 bake'],
    [0, '0 bakes'],
    [9, '9 bakes']
  ])('%i stands with its noun: %s', (n, text) => expect(counted(n, 'bake')).toBe(text));
});
