import { beforeEach, describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { TestServer } from '../testing/server';
import { doing, show, type, words } from '../testing/showing';
import Conversion from './Conversion.svelte';
import ReadLines from './ReadLines.svelte';
import { Recipe } from './recipe.svelte';

type ReadLine = Schemas['ReadLineOut'];
let server: TestServer;

beforeEach(() => {
  localStorage.clear();
  server = new TestServer().on('GET', '/ingredients', ({ query }) => ({
    items: [{ slug: 'white-rice-flour', name: 'White rice flour' }].filter((i) =>
      i.name.toLowerCase().includes(query.get('q')!.toLowerCase())
    ),
    next: null
  }));
});

const read = (number: number, text: string, more: Partial<ReadLine>): ReadLine =>
  ({
    number,
    text,
    name: text,
    ingredient: null,
    ingredient_name: '',
    mass_g: null,
    mass_low_g: null,
    mass_high_g: null,
    when: 'dry',
    guesses: [],
    understood: 'yes',
    note: '',
    near: [],
    wrong: '',
    ...more
  }) as ReadLine;

const LINES = [
  read(1, '250 g plain flour', {
    ingredient: 'wheat-flour',
    ingredient_name: 'Wheat flour, plain',
    mass_g: 250,
    mass_low_g: 250,
    mass_high_g: 250
  }),
  read(2, '1 cup milk', {
    ingredient: 'whole-milk',
    ingredient_name: 'Whole milk',
    mass_g: 244,
    mass_low_g: 237,
    mass_high_g: 251,
    understood: 'guessed',
    guesses: ['cup taken as 237 mL (US)']
  }),
  read(3, '2 tsp salt', {
    ingredient: 'salt',
    ingredient_name: 'Salt',
    mass_g: 5.82,
    mass_low_g: 4.6,
    mass_high_g: 7.1
  }),
  read(4, '3 handfuls of rice', { name: 'rice', understood: 'no', wrong: 'there is no amount in it' })
];
const READ = {
  title: 'Cake', pieces: 12, lines: LINES, steps: [], unread: [], content: { lines: [] }, say: 'US cups and eggs: °F', habit: 'us', use: null, mix: null,
  rows: [{ number: 9, kind: 'title', text: 'Cake', section: '' }, ...LINES.map((l) => ({ number: l.number, kind: 'ingredient', text: l.text, section: '' }))],
  checks: [{ line: 3, kind: 'share', say: 'Salt: 20 % of flour.' }, { line: 1, kind: 'look-alike', say: '“corn flour” is sold as two things.' }]
} as unknown as Schemas['ReadOut']; // prettier-ignore

async function arrived(): Promise<void> {
  await server.settle();
  doing(() => undefined);
}

describe('the lines of a recipe as they were read', () => {
  it('count what is understood, guessed and open, each marked in words too', () => {
    const root = show(ReadLines, { recipe: new Recipe(), read: READ });
    expect(words(root.querySelector('.state'))).toBe('4 lines: 2 understood, 1 with a guess, 1 open.');
    expect(
      [...root.querySelectorAll('tbody tr.ingredient')].map((r) => words(r.querySelector('.sr-only')))
    ).toEqual(['understood', 'with a guess', 'understood', 'not understood']);
  });

  it('show a mass with its spread, and no spread where there is none', () => {
    const root = show(ReadLines, { recipe: new Recipe(), read: READ });
    const cells = [...root.querySelectorAll('tbody tr.ingredient')].map((r) =>
      [...r.querySelectorAll('td.num')].map(words)
    );
    expect(cells).toEqual([
      ['250', ''],
      ['244', '237–251'],
      ['5.8', '4.6–7.1'],
      ['?', '']
    ]);
    expect(words(root.querySelector('section[aria-label=Doubts]'))).toContain(
      '237–251 g 1 cup milk: cup taken as 237 mL (US)'
    );
  });

  it('say how it was read, what is odd, and which names are sold for something else', () => {
    const root = show(ReadLines, { recipe: new Recipe(), read: READ });
    expect(words(root.querySelector('ul[aria-label="What is odd"]'))).toBe('line 3 Salt: 20 % of flour.');
    expect(words(root.querySelector('tr.title'))).toContain('title');
    expect(words(root.querySelector('.how'))).toContain('US cups and eggs: °F');
    expect(words(root.querySelector('summary'))).toBe('1 name sold for something else too');
  });

  it('let a person say what an open line is, and take nothing by themselves', async () => {
    const recipe = new Recipe();
    const root = show(ReadLines, { recipe, read: READ });
    const field = root.querySelector<HTMLInputElement>('input[aria-label="What is rice?"]')!;
    type(field, 'teapot');
    await arrived();
    expect(words(root)).toContain('no such ingredient');
    type(field, 'rice');
    await arrived();
    expect(recipe.chosen).toEqual({});
    const found = [...root.querySelectorAll('button')].find((b) => words(b) === 'White rice flour')!;
    doing(() => found.click());
    expect(recipe.chosen).toEqual({ 4: 'white-rice-flour' });
  });
});

const line = (mass_g: number, flour_pct: number) => ({ mass_g, flour_pct });
const step = (what: string, on: boolean, say: string, why: string, size: number | null) => ({
  change: { what, label: what, before: null, after: null, unit: 'g', size, why },
  say,
  on
});
const OVER = {
  read: READ,
  poor: ['A thin strudel dough is stretched by gluten alone.'],
  changes: [
    step('flour', true, '250 g of Mix for 250 g of flour.', 'Gram for gram.', 250),
    step('binder', true, 'Xanthan gum.', 'It holds gas.', 1.25),
    step('water', false, 'Less water.', 'The blend wants less.', -30),
    step('rest', true, 'Rest 20–30 minutes.', 'Starch wets slowly.', null)
  ],
  pairs: [
    { name: 'Wheat flour → Summit mix', before: line(250, 100), after: line(250, 100) },
    { name: 'Salt', before: line(5, 2), after: line(5, 2) },
    { name: 'Xanthan gum', before: null, after: line(1.25, 0.5) },
    { name: 'Yeast', before: line(3, 1.2), after: null }
  ],
  before: { dough_g: 500, hydration_pct: 70, gauges: [], say: '' },
  after: { dough_g: 520, hydration_pct: 88, gauges: [], say: 'Nothing holds it.' },
  content: { lines: [] }
} as unknown as Schemas['ConvertOut'];

describe('a recipe made over', () => {
  function conversion() {
    const recipe = new Recipe();
    recipe.blend = { blend_id: 1, revision: 2, name: 'Summit mix', parts: [] };
    return { recipe, root: show(Conversion, { recipe, over: OVER }) };
  }

  it('tells each change with its reason, its size and a switch', () => {
    const { recipe, root } = conversion();
    const rows = [...root.querySelectorAll('.changes li')];
    expect(rows.map((r) => words(r.querySelector('.size')))).toEqual(['250 g', '+1.3 g', '−30 g', 'advice']);
    expect(rows.map((r) => r.querySelector('input')!.checked)).toEqual([true, true, false, true]);
    expect(words(rows[1])).toContain('Xanthan gum. It holds gas.');
    doing(() => rows[1]!.querySelector('input')!.click());
    expect(recipe.off).toEqual(['binder']);
  });

  it('stands side by side with the wheat: the blend beside its flour, what came and what went alone', () => {
    const { root } = conversion();
    expect(
      [...root.querySelectorAll('tbody tr')].map((r) => [
        words(r.querySelector('th')),
        ...[...r.querySelectorAll('td')].map(words)
      ])
    ).toEqual([
      ['Wheat flour → Summit mix', '250', '100', '250', '100'],
      ['Salt', '5.0', '2', '5.0', '2'],
      ['Xanthan gum', '', '–', '1.3', '1'],
      ['Yeast', '3.0', '1', '', '–'],
      ['Dough; water, % of flour', '500', '70', '520', '88']
    ]);
    expect([...root.querySelectorAll('tr.changed th')].map(words)).toEqual(['Xanthan gum', 'Yeast']);
  });

  it('says plainly that a bake is a poor candidate', () => {
    const { root } = conversion();
    expect(words(root.querySelector('[role=alert]'))).toBe(
      'A poor candidate. A thin strudel dough is stretched by gluten alone.'
    );
  });
});
