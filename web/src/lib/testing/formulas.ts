import { weighed } from '../blends/bench/moves';
import { FormulaBench } from '../formulas/bench/formula.svelte';
import { TestServer } from './server';
import { doing } from './showing';
import type { Content, FormulaLine, When, FormulaJudgement, FormulaOut } from '../formulas/types';

/** A line of a formula, wet where nothing else is said. */
export const line = (ingredient: string, mass_g: number, when: When = 'wet'): FormulaLine => ({
  ingredient,
  mass_g,
  when,
  note: ''
});
/** A loaf: a blend, water at three stages. */
export const CONTENT: Content = {
  use: 'tin-loaf',
  consistency: null,
  school: null,
  pieces: 2,
  pan: null,
  portion: null,
  method: '',
  blend: {
    blend_id: 1,
    revision: 3,
    name: 'Summit mix',
    parts: [weighed('teff-flour', 100)]
  },
  lines: [
    line('@blend', 1000, 'dry'),
    line('water', 700),
    line('water', 50, 'gel'),
    line('water', 9, 'finish')
  ]
};

/** A judgement of a content on 1 000 g of flour, as the server would give it. */
export function judged(content: Content, wanted = true): FormulaJudgement {
  const lines = content.lines.map((l, index) => ({
    index,
    ingredient: l.ingredient,
    name: l.ingredient,
    role: 'other',
    when: l.when,
    mass_g: l.mass_g,
    flour_pct: l.mass_g / 10,
    in_dough: l.when !== 'finish',
    functions: [],
    brings_g: { water_g: l.ingredient === 'water' ? l.mass_g : 0 },
    water_counts: l.ingredient === 'water'
  }));
  const water = lines.filter((l) => l.in_dough && l.water_counts).reduce((s, l) => s + l.mass_g, 0);
  return {
    analysis: { lines, flour_g: 1000, water_g: water, hydration_pct: water / 10 },
    prediction: {
      typical_pct: 85,
      base_pct: 74,
      thirst_pct: -9,
      binder_pct: 20,
      thirst_g_per_g: 1.09,
      say: '',
      takers: [
        {
          ingredient: 'teff-flour',
          name: 'Teff',
          role: 'whole_grain',
          is_binder: false,
          share_pct: 100,
          water_pct: 60
        },
        { ingredient: 'husk', name: 'Husk', role: 'binder', is_binder: true, share_pct: 5, water_pct: 25 }
      ]
    },
    poured: { lines: [1], poured_g: 700, ahead_g: 50 },
    pour: [
      { say: 'Pour this first.', pour_g: 600, poured_g: 600, total_pct: 65 },
      { say: 'Work it in.', pour_g: 20, poured_g: 620, total_pct: 67 }
    ],
    wanted: wanted ? { low_pct: 80, typical_pct: 93.5, high_pct: 110, factor: 1.1 } : null,
    consistency: 'soft',
    consistencies: ['soft', 'batter'],
    gauges: [],
    warnings: [],
    cautions: [],
    bake: { bake_loss_pct: 12 }
  } as unknown as FormulaJudgement;
}

/** The loaf as it is fetched, kept once. */
export const found = (content = CONTENT): FormulaOut => ({
  head: {
    id: 5,
    brief_id: null,
    name: 'Loaf',
    archived: false,
    created_at: '',
    updated_at: '',
    version: 1
  },
  draft: { content, based_on: 1, updated_at: '', version: 4 },
  revisions: [{ number: 1, content, why: 'first', based_on: null, kept_at: '' }]
});

/** A bench with a formula on it, served by `server`. */
export async function benchOf(server: TestServer, content = CONTENT): Promise<FormulaBench> {
  const made = new FormulaBench(found(content));
  await made.start();
  await server.settle();
  return made;
}

/** A server that judges formulas as the fixture is judged (`more` beside it) and keeps their drafts. */
export function formulaServer(more: () => object = () => ({})): TestServer {
  return new TestServer()
    .on('POST', '/formula-judgements', ({ body }) => ({
      ...judged((body as { content: Content }).content),
      ...more()
    }))
    .on('POST', '/formula-pins', () => ({ newer: null, parts: [], say: '', changes: [] }))
    .on('PUT', '/draft', ({ body }) => ({ ...(body as object), updated_at: '', version: 5 }));
}

/** Waits out the pauses in which the pages let a hand come to rest. */
export async function still(server: TestServer): Promise<void> {
  await new Promise((done) => setTimeout(done, 220));
  await server.settle();
  doing(() => undefined);
}
