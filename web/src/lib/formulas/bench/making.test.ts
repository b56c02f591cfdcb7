import { beforeEach, describe, expect, it } from 'vitest';
import { kitchen } from '../../app/kitchen.svelte';
import { benchOf, formulaServer, line, still } from '../../testing/formulas';
import { TestServer } from '../../testing/server';
import { choose, click, doing, show, words } from '../../testing/showing';
import { notices } from '../../ui/state/notices.svelte';
import BakeTab from '../tabs/BakeTab.svelte';
import BinderTab from '../tabs/BinderTab.svelte';
import { formulas } from '../reference.svelte';
import ScaleTab from '../tabs/ScaleTab.svelte';
import type { Content, FormulaJudgement } from '../types';

let server: TestServer;
/** What the judgement says beside that of the fixture. */
let more: object;

beforeEach(() => {
  localStorage.clear();
  notices.all = [];
  more = {};

  kitchen.settings = {
    mass_unit: 'g',
    energy_unit: 'kj',
    temp_unit: 'c',
    currency: '',
    binder_school: 'gum',
    thickener_school: 'by-power'
  } as never;
  kitchen.reference = {
    uses: [{ slug: 'tin-loaf', name: 'Tin loaf' }],
    metrics: [],
    roles: [],
    nutrients: []
  } as never;
  formulas.reference = {
    stages: [],
    schools: [{ name: 'gum', label: 'a gum in everything' }],
    pans: [
      { material: 'bright metal', time_factor: 1, note: 'reference' },
      { material: 'glass', time_factor: 1.1, note: '10 K lower once hot' }
    ],
    eggs: [],
    fills: { 'tin-loaf': 0.55 },
    consistencies: {},
    scale_shows_g: 1,
    binders: ['xanthan-gum', 'psyllium-husk']
  } as never;
  server = formulaServer(() => more);
});

describe('the binder tab', () => {
  const usual = { low_pct: 3, typical_pct: 5, high_pct: 8 };
  const half = {
    binder: {
      load: 0.5,
      state: 'light',
      say: 'Light: top it up.',
      doses: [{ binder: 'psyllium-husk', name: 'Psyllium husk (whole)', dose_pct: 2.5, usual }]
    },
    suggestion: {
      binder: 'xanthan-gum',
      add_g: 6,
      add_pct: 0.6,
      usual: { low_pct: 0.6, typical_pct: 1.2, high_pct: 2.2 },
      why: 'Your school uses a gum in everything.'
    },
    disperse: ['Psyllium husk: rest 5–10 minutes to a gel.']
  };

  it('tells the load, the doses with their usual, and what the school would add', async () => {
    more = half;
    const root = show(BinderTab, { bench: await benchOf(server) });
    await still(server);
    expect(words(root.querySelector('h2'))).toBe('Load 0.50 of the usual');
    expect(words(root.querySelector('tbody tr'))).toBe('Psyllium husk (whole), in the bag2.505.0 (3.0–8.0)');
    expect(words(root)).toContain('Your school uses a gum in everything. Add 6.0 g xanthan gum');
    expect(words(root)).toContain('Psyllium husk: rest 5–10 minutes to a gel.');
  });

  it('adds what the load lacks as a line that the server begins', async () => {
    more = half;
    server.on('POST', '/formula-lines', ({ body }) => {
      expect(body).toMatchObject({ ingredient: 'xanthan-gum' });
      return line('xanthan-gum', 6, 'dry');
    });
    const b = await benchOf(server);
    const root = show(BinderTab, { bench: b });
    await still(server);
    click(root, 'Add 6.0 g xanthan gum');
    await still(server);
    expect(b.lines.at(-1)).toMatchObject({ ingredient: 'xanthan-gum', mass_g: 6, when: 'dry' });
  });

  it('converts the first binder into another at the same load', async () => {
    more = half;
    server.on('POST', '/binder-conversions', ({ body }) => {
      expect(body).toEqual({
        use: 'tin-loaf',
        mass_g: 25,
        from_binder: 'psyllium-husk',
        to_binder: 'xanthan-gum'
      });
      return { binder: 'xanthan-gum', mass_g: 6, low_g: 3, high_g: 11, minds: ['Weigh it finely.'] };
    });
    const root = show(BinderTab, { bench: await benchOf(server) });
    await still(server);
    choose(
      [...root.querySelectorAll('select')].find((s) => words(s).startsWith('another binder'))!,
      'xanthan-gum'
    );
    await still(server);
    expect(words(root)).toContain('6.0 g (3.0–11.0 g, at the same load)');
    expect(words(root)).toContain('Weigh it finely.');
  });

  it('says plainly where nothing binds, and where it cannot be told', async () => {
    more = { binder: { load: 0, state: 'none', say: '', doses: [] }, suggestion: null, disperse: [] };
    expect(words(show(BinderTab, { bench: await benchOf(server) }))).toContain(
      'No binder at all, in the bag or here.'
    );
    more = {
      binder: { load: null, state: 'unknown', say: 'No usual dose is on record for agar.', doses: [] },
      suggestion: null,
      disperse: []
    };
    const root = show(BinderTab, { bench: await benchOf(server) });
    expect(words(root.querySelector('h2'))).toBe('Load cannot be told');
    expect(words(root)).toContain('No usual dose is on record for agar.');
  });
});

describe('the scale tab', () => {
  const scaled = (content: Content, factor: number) => {
    const lines = content.lines.map((l) => ({ ...l, mass_g: l.mass_g * factor }));
    return {
      scaled: { lines, factor, dough_g: 990, say: '' },
      rounded: {
        lines: lines.map((l) => ({ ...l, mass_g: Math.round(l.mass_g) })),
        step_g: 1,
        too_fine: [3],
        moved_pct: 1.2
      },
      eggs: {
        count: 0.7,
        whole: 1,
        each_g: 51,
        lines,
        change_g: -12,
        say: '0.7 eggs: whisk and weigh 35 g.'
      },
      tin: { volume_ml: 1800, each_g: 990, fill: 0.55, risen: 1.06, warning: 'It may climb over the rim.' }
    };
  };

  it('shows what a tin takes with its warning, and is taken as one step of undo', async () => {
    server.on('POST', '/formula-scalings', ({ body }) => scaled((body as { content: Content }).content, 0.5));
    const b = await benchOf(server);
    const root = show(ScaleTab, { bench: b });
    await still(server);
    expect(server.lastOf('/formula-scalings')?.body).toMatchObject({
      tin: { shape: 'box', length_cm: 20, width_cm: 10, height_cm: 9 },
      tins: 1
    });
    expect(words(root.querySelector('.answer'))).toContain(
      '× 0.50: 990 g of dough, 990 g in each; the tin holds'
    );
    expect(words(root)).toContain('It may climb over the rim.');
    expect(words(root)).toContain('take it with whole eggs');
    expect([...root.querySelectorAll('tbody tr')].map((r) => words(r.lastElementChild))).toEqual([
      '500.0',
      '350.0',
      '25.0',
      '5.00'
    ]);
    click(root, 'Take it, rounded');
    expect([b.lines.map((l) => l.mass_g), b.content.pieces]).toEqual([[500, 350, 25, 5], 1]);
    expect(notices.all.at(-1)?.say).toBe('Scaled: rounded to the scale. Undo goes back.');
    doing(() => b.undo());
    expect([b.lines[0]!.mass_g, b.content.pieces]).toEqual([1000, 2]);
  });

  it('asks for pieces where pieces are wanted, and remembers it for this formula', async () => {
    server.on('POST', '/formula-scalings', ({ body }) => ({
      ...scaled((body as { content: Content }).content, 2),
      tin: null,
      eggs: null
    }));
    const b = await benchOf(server);
    const root = show(ScaleTab, { bench: b });
    await still(server);
    const pieces = [...root.querySelectorAll<HTMLInputElement>('input[type=radio]')][1]!;
    doing(() => pieces.click());
    await still(server);
    expect(server.lastOf('/formula-scalings')?.body).toMatchObject({ pieces: 12, piece_g: 80, baked: false });
    click(root, 'exact');
    expect(b.content.pieces).toBe(12);
    expect(JSON.parse(localStorage.getItem('fallow-sieve.scaling.5')!)).toMatchObject({ way: 'pieces' });
  });
});

describe('the bake tab', () => {
  const oven = {
    exact_c: 190,
    conventional_c: 190,
    conventional_f: 375,
    fan_c: 170,
    fan_f: 340,
    gas_mark: 0.5
  };
  const bake = (changes: object = {}): Partial<FormulaJudgement> => ({
    bake: {
      phases: [
        {
          oven,
          minutes_low: 35,
          minutes_typical: 42,
          minutes_high: 50,
          covered: false,
          steam: false,
          in_tin: true,
          say: 'in the tin'
        }
      ],
      core_low_c: 94,
      core_high_c: 98,
      core_why: 'Aim for 98 °C.',
      cool_minutes: 1,
      cool_why: 'The starch still sets.',
      bake_loss_pct: 12,
      pan_note: 'reference',
      cautions: [{ kind: 'hot', say: 'Tins stay hot.' }],
      say: '',
      ...changes
    } as never
  });

  it('shows phases as the kitchen likes them, the core and the caution', async () => {
    more = bake();
    const root = show(BakeTab, { bench: await benchOf(server) });
    expect(words(root.querySelector('tbody tr'))).toBe('1190 °C170 °C375 °F½42 (35–50)in the tin');
    expect(words(root)).toContain('Core 94 °C to 98 °C. Aim for 98 °C.');
    expect(words(root)).toContain('Cool 1 minute before cutting.');
    expect(words(root)).toContain('Tins stay hot.');
  });

  it('turns to Fahrenheit with the kitchen', async () => {
    more = bake();
    kitchen.settings = { ...kitchen.settings, temp_unit: 'f' } as never;
    const root = show(BakeTab, { bench: await benchOf(server) });
    expect(words(root.querySelector('tbody tr'))).toContain('375 °F340 °F190 °C');
    expect(words(root)).toContain('Core 201 °F to 208 °F.');
  });

  it('keeps the pan and the own method with the formula', async () => {
    more = bake({ phases: [], say: 'No bake is on record for this use.', core_low_c: null });
    const b = await benchOf(server);
    const root = show(BakeTab, { bench: b });
    expect(words(root)).toContain('No bake is on record for this use.');
    choose(root.querySelector('select')!, 'glass');
    choose(root.querySelector('textarea') as never, 'Prove overnight.');
    expect([b.content.pan, b.content.method]).toEqual(['glass', 'Prove overnight.']);
  });
});
