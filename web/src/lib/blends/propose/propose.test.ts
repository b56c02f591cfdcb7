import { beforeEach, describe, expect, it } from 'vitest';
import type { BandResult, Part } from '../../api/client';
import { follow } from '../../api/stream';
import { Bench } from '../bench/bench.svelte';
import { Mending } from './mend.svelte';
import { problem, TestServer } from '../../testing/server';
import { weighed } from '../bench/moves';
import { blendFile } from './files';
import { layersOf, type Proposal } from './lines';
import { Proposing } from './propose.svelte';
import { standsAt, Sweeping } from './sweep.svelte';

const PARTS: Part[] = [weighed('teff-flour', 600), weighed('corn-starch', 400)];
const WISHES = { use: 'scone', aims: ['nearest', 'cheapest'], max_bins: 3 };
let server: TestServer;

function proposal(aim: Proposal['aim'], teff: number): Proposal {
  const part = (ingredient: string, role: string, share_pct: number) => ({
    ingredient,
    name: ingredient,
    role,
    in_flour_base: true,
    share_pct,
    mass_g: share_pct * 10,
    locked: false,
    lot_id: null
  });
  return {
    aim,
    label: aim,
    parts: [part('teff-flour', 'whole_grain', teff), part('corn-starch', 'starch', 100 - teff)],
    score: 100,
    margin: 0.2,
    tightest: 'fibre_pct',
    value: 1,
    unit: 'per kg',
    gap: 0,
    not_looked_at: 0,
    better_by: null,
    cost_per_kg: 3,
    over_usual_most: [],
    gives: [],
    gives_up: [],
    bags: { passes_pct: 90, through_pct: 100, weakest: 'fibre_pct' },
    binding: [],
    sieves: []
  };
}

function stream(...lines: object[]): Response {
  return new Response(lines.map((l) => `${JSON.stringify(l)}\n`).join(''), {
    headers: { 'Content-Type': 'application/x-ndjson' }
  });
}

function bench(): Bench {
  return new Bench({
    head: {
      id: 7,
      brief_id: null,
      name: 'Mix',
      archived: false,
      created_at: '',
      updated_at: '',
      version: 1
    },
    draft: { content: { use: 'scone', parts: PARTS }, based_on: null, updated_at: '', version: 1 },
    revisions: []
  });
}

beforeEach(() => {
  localStorage.clear();
  server = new TestServer()
    .on('POST', '/wishes', () => WISHES)
    .on('POST', '/analyse', () => problem(503, 'later'))
    .on('PUT', '/draft', () => ({ parts: PARTS, based_on: null, updated_at: '', version: 2 }));
});

describe('an answer that comes line by line', () => {
  it('gives each line as it is, also one that is cut by the way it is sent', async () => {
    const parts = ['{"a":1}\n{"a"', ':2}\n', '{"a":3}'];
    const body = new ReadableStream<Uint8Array>({
      start(to) {
        for (const part of parts) to.enqueue(new TextEncoder().encode(part));
        to.close();
      }
    });
    const found: number[] = [];
    await follow<{ a: number }>(new Response(body), (line) => found.push(line.a));
    expect(found).toEqual([1, 2, 3]);
  });

  it('throws what a line says is wrong, and what the answer itself is', async () => {
    const bad = stream({ a: 1 }, { problem: { detail: 'the solver failed', status: 422 } });
    await expect(follow(bad, () => undefined)).rejects.toThrow('the solver failed');
    await expect(follow(problem(422, 'no such flour', '/lock'), () => undefined)).rejects.toThrow(
      'no such flour'
    );
  });
});

describe('the search beside the bench', () => {
  it('begins with the wishes of the brief, and takes each proposal as it is found', async () => {
    server.on('POST', '/proposals', () =>
      stream(
        { proposal: proposal('nearest', 50) },
        { skipped: { aim: 'cheapest', label: 'cheapest', why: 'no price is known' } },
        { done: true, notes: ['Left out: one.'], stopped: false }
      )
    );
    const search = new Proposing(bench());
    await search.begin();
    expect(search.lines.map((l) => l.key)).toEqual(['max_bins']);
    expect(search.fresh).toBe(false);
    await search.search();
    expect(search.proposals.map((p) => p.aim)).toEqual(['nearest']);
    expect([search.skipped[0]?.why, search.notes[0], search.busy, search.fresh]).toEqual([
      'no price is known',
      'Left out: one.',
      false,
      true
    ]);
    expect(server.last.body).toMatchObject({ wishes: WISHES, library: false });
  });

  it('is out of date once a wish is changed, dropped or let out', async () => {
    server.on('POST', '/proposals', () => stream({ done: true, notes: [] }));
    const search = new Proposing(bench());
    await search.begin();
    await search.search();
    search.set('max_bins', 4);
    expect([search.fresh, search.wishes?.max_bins]).toEqual([false, 4]);
    search.aim([]);
    expect(search.wishes?.aims).toEqual(['nearest']);
    await search.relax({ limit: 'max_bins', side: '', by: 2, to: 6, unit: 'bins', say: '' });
    expect([search.fresh, search.wishes?.max_bins]).toEqual([true, 6]);
    search.drop('max_bins');
    expect(search.lines).toEqual([]);
  });

  it('says what is wrong, and keeps the wishes', async () => {
    server.on('POST', '/proposals', () => problem(422, 'a share of 250 %', '/lock/teff-flour'));
    const search = new Proposing(bench());
    await search.begin();
    await search.search();
    expect(search.wrong).toContain('250');
    expect(search.wishes).toEqual(WISHES);
    expect(search.busy).toBe(false);
  });

  it('draws the one looked at beside the column, and gives back what stood there', async () => {
    server.on('POST', '/proposals', () =>
      stream({ proposal: proposal('nearest', 50) }, { done: true, notes: [] })
    );
    const at = bench();
    at.ghost = { number: 3, label: 'rev 3', layers: [] };
    const search = new Proposing(at);
    await search.begin();
    await search.search();
    search.look(0);
    expect([at.ghost?.label, at.ghost?.number]).toEqual(['nearest', null]);
    expect(at.ghost?.layers.map((l) => l.mix_pct)).toEqual([50, 50]);
    search.look(-1);
    expect(at.ghost?.label).toBe('rev 3');
  });

  it('puts the one that is taken on the bench as one step of undo', async () => {
    server.on('POST', '/revisions', (asked) => ({
      revisions: [
        { number: 1, parts: PARTS, why: (asked.body as { why: string }).why, based_on: null, kept_at: '' }
      ],
      draft: { content: { use: 'scone', parts: PARTS }, based_on: 1, updated_at: '', version: 3 }
    }));
    const at = bench();
    const search = new Proposing(at);
    await search.begin();
    await search.take(proposal('cheapest', 30));
    expect(at.parts.map((p) => p.mass_g)).toEqual([300, 700]);
    expect((server.last.body as { why: string }).why).toMatch(
      /^Proposed: cheapest, for .*; at most 3 bins of flour\.$/
    );
    at.undo();
    expect(at.parts).toEqual(PARTS);
  });
});

describe('a trade-off', () => {
  const sieve = (metric: string, typical: number, good_low: number, good_high: number): BandResult =>
    ({ band: { metric, good_low, good_high }, estimate: { typical } }) as BandResult;

  it('collects its points and names them by their place', async () => {
    server.on('POST', '/tradeoffs', () =>
      stream(
        { point: { ...proposal('cheapest', 40), x: 1, y: 2 } },
        { point: { ...proposal('cheapest', 60), x: 2, y: 3 } },
        { done: true }
      )
    );
    const search = new Proposing(bench());
    await search.begin();
    const sweep = new Sweeping(search);
    await sweep.run();
    expect(sweep.points.map((p) => [p.x, p.y, p.label])).toEqual([
      [1, 2, 'point 1 of the curve'],
      [2, 3, 'point 2 of the curve']
    ]);
    sweep.look(1);
    expect(search.bench.ghost?.label).toBe('point 2');
  });

  it('knows where the blend on the bench stands', () => {
    const judgement = {
      analysis: { cost_per_kg: { typical: 4.2 }, metrics: { fibre_pct: { typical: 6 } } },
      fit: { bands: [sieve('fibre_pct', 6, 4, 12), sieve('fat_pct', 1, 0, 5), sieve('flat', 3, 3, 3)] }
    } as unknown as Parameters<typeof standsAt>[1];
    expect(standsAt('cheapest', judgement)).toBe(4.2);
    expect(standsAt('most-fibre', judgement)).toBe(6);
    expect(standsAt('mildest', judgement)).toBeNull();
    expect(standsAt('nearest', judgement)).toBeCloseTo(0.2);
    expect(standsAt('nearest', null)).toBeNull();
  });
});

describe('mending', () => {
  const OPTION = {
    touched: 2,
    moved_pct: 10,
    moved_g: 100,
    score: 100,
    passes: true,
    changes: [
      {
        what: 'oat-flour',
        label: 'Oat flour',
        before: null,
        after: 10,
        unit: '% of flour',
        size: 10,
        why: ''
      }
    ],
    parts: [...PARTS.map((p) => ({ ...p, mass_g: 450 })), weighed('oat-flour', 100)]
  };

  it('shows a way beside the column and applies it as one step of undo', async () => {
    server.on('POST', '/mend', () => ({ state: 'mended', say: 'The smallest:', options: [OPTION] }));
    const at = bench();
    const mending = new Mending(at);
    await mending.ask();
    expect(server.last.body).toMatchObject({ use: 'scone', touch: 3 });
    mending.look(OPTION);
    expect([at.ghost?.label, at.ghost?.layers[2]?.name]).toEqual(['mended', 'Oat flour']);
    mending.look(null);
    expect(at.ghost).toBeNull();
    mending.apply(OPTION);
    expect(at.parts).toHaveLength(3);
    expect(mending.answer).toBeNull();
    at.undo();
    expect(at.parts).toEqual(PARTS);
  });

  it('says what is wrong', async () => {
    server.on('POST', '/mend', () => problem(422, 'no such use'));
    const mending = new Mending(bench());
    await mending.ask();
    expect([mending.wrong, mending.busy, mending.answer]).toEqual(['no such use', false, null]);
  });
});

describe('what leaves as a file', () => {
  it('is a blend file with nothing but the parts', () => {
    const file = JSON.parse(blendFile('Mix, cheapest', 'scone', proposal('cheapest', 30)));
    expect(file).toEqual({
      format: 'fallow-sieve/blend',
      version: 1,
      name: 'Mix, cheapest',
      use: 'scone',
      parts: [
        { ingredient: 'teff-flour', mass_g: 300 },
        { ingredient: 'corn-starch', mass_g: 700 }
      ]
    });
    expect(JSON.parse(blendFile('Mix', null, proposal('cheapest', 30)))).not.toHaveProperty('use');
  });

  it('has layers that make a hundred', () => {
    expect(layersOf(proposal('nearest', 25).parts).map((l) => l.mix_pct)).toEqual([25, 75]);
    expect(layersOf([])).toEqual([]);
  });
});
