import { weighed } from '../../blends/bench/moves';
import { beforeEach, describe, expect, it } from 'vitest';
import { kitchen } from '../../app/kitchen.svelte';
import { benchOf, formulaServer, CONTENT, judged, line } from '../../testing/formulas';
import { problem, TestServer } from '../../testing/server';
import { click, doing, show, type, words } from '../../testing/showing';
import { notices } from '../../ui/state/notices.svelte';
import CardLine from '../bench/CardLine.svelte';
import Pinned from '../bench/Pinned.svelte';
import SwapTab from './SwapTab.svelte';
import type { Content } from '../types';
import WaterTab from './WaterTab.svelte';

let server: TestServer;
const bakes = (withdrawn = false) => ({
  items: [
    {
      id: 3,
      baked_on: '2026-03-12',
      poured_g: 860,
      actual_pct: 91.2,
      predicted_pct: 85,
      note: 'soft',
      withdrawn
    }
  ],
  learnt: [{ bakes: 9 }, { bakes: 4 }, { bakes: withdrawn ? 0 : 1 }],
  steps: []
});

beforeEach(() => {
  localStorage.clear();
  notices.all = [];
  kitchen.settings = { mass_unit: 'g', energy_unit: 'kj', currency: '' } as never;
  kitchen.reference = { uses: [{ slug: 'tin-loaf', name: 'Tin loaf' }], metrics: [], roles: [] } as never;
  server = formulaServer()
    .on('GET', '/bakes', () => bakes())
    .on('GET', '/formula-reference', () => ({
      stages: [],
      schools: [],
      pans: [],
      eggs: [],
      fills: {},
      consistencies: {},
      binders: []
    }));
});

async function arrived(): Promise<void> {
  await server.settle();
  doing(() => undefined);
}

describe('the water tab', () => {
  it('says what is wanted, how it comes about and what is in a gel already', async () => {
    const root = show(WaterTab, { bench: await benchOf(server) });
    await arrived();
    expect(words(root.querySelector('h2'))).toBe('Wanted: 94 % of flour (80–110)');
    expect(words(root)).toContain(
      '74 for soft tin loaf, −9 for a thirst of 1.09 g/g, +20 for the binder; × 1.10'
    );
    expect(words(root)).toContain('Beside 50 g that is in a gel, soak or leaven already.');
    expect([...root.querySelectorAll('ol li b')].map(words)).toEqual(['600 g', '+20 g']);
    expect(words(root)).toContain('1 bake, one by one; of this kitchen 9, of this kind 4, of this blend 1');
  });

  it('sets the poured water to what is wanted, as one step of undo', async () => {
    const b = await benchOf(server);
    const root = show(WaterTab, { bench: b });
    await arrived();
    click(root, 'Set the water line to it');
    expect(b.poured_g).toBe(885); // 93.5 % of 1 000 g, less the 50 g of the gel
    doing(() => b.undo());
    expect(b.poured_g).toBe(700);
  });

  it('records what was poured, with a comma too, and refuses what is no amount', async () => {
    server.on('POST', '/bakes', ({ body }) => {
      expect(body).toMatchObject({ poured_g: 812.5, note: 'airy', content: { pieces: 2 } });
      return bakes();
    });
    const root = show(WaterTab, { bench: await benchOf(server) });
    await arrived();
    const [amount, note] = [...root.querySelectorAll<HTMLInputElement>('form input')];
    type(amount!, 'lots');
    doing(() => root.querySelector('form')!.requestSubmit());
    expect(words(root.querySelector('[role=alert]'))).toBe('Give the water that went in, in g, over 0.');
    type(amount!, '812,5');
    type(note!, 'airy');
    doing(() => root.querySelector('form')!.requestSubmit());
    await arrived();
    expect([amount!.value, notices.all.at(-1)?.say]).toEqual([
      '',
      'Recorded. The wanted water has learnt from it.'
    ]);
  });

  it('sets a bake aside', async () => {
    server.on('PUT', '/bakes/3', ({ body }) => {
      expect(body).toEqual({ withdrawn: true });
      return bakes(true);
    });
    const root = show(WaterTab, { bench: await benchOf(server) });
    await arrived();
    click(root, 'set aside');
    await arrived();
    expect(words(root.querySelector('tr.aside'))).toContain('count it again');
  });

  it('says why nothing is predicted', async () => {
    server.on('POST', '/formula-judgements', ({ body }) => {
      const j = judged((body as { content: Content }).content, false);
      return {
        ...j,
        prediction: { ...j.prediction, typical_pct: null, say: 'The water taken by Essence is not known.' }
      };
    });
    const root = show(WaterTab, { bench: await benchOf(server) });
    await arrived();
    expect(words(root)).toContain('The water taken by Essence is not known.');
  });
});

describe('the swap tab', () => {
  const effects = {
    brings: ['tree-nuts'],
    rids_of: ['milk'],
    unpriced: ['Walnut oil', 'Butter'],
    changes: [
      { what: 'cost', size: null },
      { what: 'energy_kj', size: -4184 },
      { what: 'fat_g', size: 0.2 },
      { what: 'hydration_pct', before: 76, after: 76.04, size: 0.04 }
    ]
  };
  const oil = {
    kind: 'fat',
    to: 'oil',
    name: 'Walnut oil',
    say: '80 g oil for 100 g butter.',
    losses: [
      { weight: 2, say: 'No creaming.' },
      { weight: 1, say: 'A softer crumb.' }
    ],
    lines: [line('oil', 80, 'fat')],
    water_change_g: 20,
    short_g: 0
  };
  const BUTTERED = { ...CONTENT, lines: [...CONTENT.lines, line('butter', 100, 'fat')] };

  async function swapping() {
    server.on('POST', '/formula-swaps', () => ({ offers: [{ swap: oil, lost: 3, effects }], say: '' }));
    const b = await benchOf(server, BUTTERED);
    b.selected = 4;
    const root = show(SwapTab, { bench: b });
    await arrived();
    return { b, root };
  }

  it('tells what is lost, what comes and goes, and nothing of what is not known', async () => {
    const { root } = await swapping();
    expect(server.lastOf('/formula-swaps')?.body).toMatchObject({ at: 4 });
    expect(words(root)).toContain('Walnut oil loses some');
    expect(words(root)).toContain(
      'water as before · cost not known: no price for walnut oil, butter · −4184 kJ · brings tree nuts · no more milk on record'
        .replace('4184', '4\u202f184')
        .replace(/\s/g, ' ')
    );
  });

  it('is taken as one step', async () => {
    const { b, root } = await swapping();
    click(root, 'Take it: Walnut oil');
    expect(b.lines.map((l) => l.ingredient)).toEqual(['oil']);
    doing(() => b.undo());
    expect(b.lines).toHaveLength(5);
  });

  it('asks which line, where none is chosen, and says what went wrong', async () => {
    const b = await benchOf(server, BUTTERED);
    const root = show(SwapTab, { bench: b });
    await arrived();
    expect(words(root)).toContain(
      'Choose a fat, a sweetener, an egg, a milk, a thickener in a filling or a binder.'
    );
    server.on('POST', '/formula-swaps', () => problem(422, 'the blend cannot be swapped here'));
    doing(() => (b.selected = 4));
    await new Promise((done) => setTimeout(done, 200)); // it waits for a hand that walks over the lines
    await arrived();
    expect(words(root.querySelector('[role=alert]'))).toBe('the blend cannot be swapped here');
  });
});

describe('the blend under a formula', () => {
  it('says that a newer revision is there and what it changes, and moves to it', async () => {
    const newer = [weighed('teff-flour', 90)];
    server.on('POST', '/formula-pins', () => ({
      newer: 4,
      parts: newer,
      say: 'Summit mix is at revision 4 now (drier).',
      changes: [
        {
          what: 'water',
          label: 'Water wanted',
          before: 95,
          after: 94.1,
          unit: '% of flour',
          size: -0.9,
          why: ''
        },
        {
          what: 'allergen/milk',
          label: 'milk',
          before: null,
          after: 'contained',
          unit: '',
          size: null,
          why: ''
        }
      ]
    }));
    const b = await benchOf(server);
    const root = show(Pinned, { bench: b });
    await arrived();
    expect(words(root.querySelector('details'))).toMatch(
      /Water wanted 95\.0 → 94\.1 % of flour\s*milk: now contained/
    );
    click(root, 'Move to revision 4');
    expect([b.content.blend?.revision, b.content.blend?.parts]).toEqual([4, newer]);
    doing(() => b.undo());
    expect(b.content.blend?.revision).toBe(3);
  });
});

describe('the line at the foot', () => {
  it('marks a total that is only a lower bound, and says what is not known', async () => {
    const b = await benchOf(server);
    const j = judged(CONTENT);
    const totals_g = {
      fat_g: { typical: 12.4, high: null },
      sugars_g: { typical: 3.2, high: 4 },
      salt_g: { typical: null, high: null }
    };
    doing(() => {
      b.judgement = {
        ...j,
        analysis: { ...j.analysis, mass_g: 1759, dough_g: 1750, totals_g },
        bake: { bake_loss_pct: null },
        allergens: ['tree-nuts'],
        gluten: { status: 'unknown', unknown_parts: ['a', 'b'], known_mg_per_kg: 0, most: null },
        cautions: [{ kind: 'gluten', say: 'Gluten unknown.' }]
      } as never;
    });
    const said = words(show(CardLine, { bench: b }));
    expect(said).toContain('fat ≥ 12 g · sugars 3.2 g · salt unknown · protein unknown');
    expect(said).toContain('tree nuts');
    expect(said).toContain('unknown for 2 parts');
    expect(said).toContain('not on record');
    expect(said).toContain('Gluten unknown.');
  });
});
