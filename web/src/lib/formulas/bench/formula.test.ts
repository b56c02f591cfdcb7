import { beforeEach, describe, expect, it } from 'vitest';
import { problem, TestServer } from '../../testing/server';
import { balanceOf, balanceScale } from './balance';
import { fingerprint, sameContent } from './content';
import { formulas } from '../reference.svelte';
import { FormulaBench } from './formula.svelte';
import { askedFor, BEGINNING, Scaling, tinOf } from '../tabs/scaling.svelte';
import { CONTENT, found, judged, line } from '../../testing/formulas';
import type { Content } from '../types';

let server: TestServer;

async function bench(): Promise<FormulaBench> {
  const made = new FormulaBench(found());
  await made.start();
  await server.settle();
  return made;
}

beforeEach(() => {
  localStorage.clear();
  server = new TestServer()
    .on('POST', '/formula-judgements', ({ body }) => judged((body as { content: Content }).content))
    .on('POST', '/formula-pins', () => ({ newer: 4, parts: CONTENT.blend!.parts, say: 'newer', changes: [] }))
    .on('PUT', '/draft', ({ body }) => ({ ...(body as object), updated_at: '', version: 5 }));
});

describe('a formula on its bench', () => {
  it('judges what it holds and asks whether the blend has moved on', async () => {
    const b = await bench();
    expect(b.judgement?.analysis.hydration_pct).toBe(75);
    expect(b.pin?.newer).toBe(4);
    expect(b.kept).toBe(true);
  });

  it('finds what an older version left unsaved in this browser, whose lines had a stage', async () => {
    const lines = [{ ingredient: 'water', mass_g: 640, stage: 'gel', note: '' }];
    const old = { content: { ...CONTENT, lines }, based_on: 1, version: 4 };
    localStorage.setItem('fallow-sieve.formula.5', JSON.stringify(old));
    const b = await bench();
    expect(b.lines).toEqual([{ ingredient: 'water', mass_g: 640, when: 'gel', note: '' }]);
    localStorage.clear();
  });

  it('takes back a change and does it again', async () => {
    const b = await bench();
    b.setLine(1, { mass_g: 800 });
    expect([b.lines[1]!.mass_g, b.canUndo, b.kept]).toEqual([800, true, false]);
    b.undo();
    expect([b.lines[1]!.mass_g, b.canRedo, b.kept]).toEqual([700, true, true]);
    b.redo();
    expect(b.lines[1]!.mass_g).toBe(800);
  });

  it('pours only what is not in a gel or a finish, and changes its largest line', async () => {
    formulas.reference = { water_line: line('water', 100) } as never;
    const b = await bench();
    expect(b.poured_g).toBe(700); // neither that of the gel nor that of the finish
    const more = b.withWater(850);
    expect(more.lines.map((l) => l.mass_g)).toEqual([1000, 850, 50, 9]);
    const dry = new FormulaBench(found({ ...CONTENT, lines: CONTENT.lines.slice(0, 1) }));
    expect(dry.withWater(400).lines.at(-1)).toMatchObject({ ingredient: 'water', mass_g: 400, when: 'wet' });
  });

  it('takes a line up and down among the others, and no further than the ends', async () => {
    const b = await bench();
    const order = () => b.lines.map((l) => l.mass_g);
    b.selected = 1;
    b.moveLine(1, -1);
    expect([order(), b.selected]).toEqual([[700, 1000, 50, 9], 0]);
    b.moveLine(0, -1);
    b.moveLine(3, 1);
    expect(order()).toEqual([700, 1000, 50, 9]);
    b.undo();
    expect([order(), b.canUndo]).toEqual([[1000, 700, 50, 9], false]);
  });

  it('puts the lines in the order of the work, those of a moment as they stood', async () => {
    const b = await bench();
    b.set({
      lines: [
        line('water', 1, 'finish'),
        line('butter', 2, 'fat'),
        line('salt', 3, 'dry'),
        line('yeast', 4, 'dry')
      ]
    });
    b.sortByWhen();
    expect(b.lines.map((l) => l.ingredient)).toEqual(['salt', 'yeast', 'butter', 'water']);
    b.undo();
    expect(b.lines[0]!.ingredient).toBe('water');
  });

  it('adds what the server says an ingredient begins as', async () => {
    const b = await bench();
    server.on('POST', '/formula-lines', ({ body }) => {
      expect(body).toMatchObject({ ingredient: 'salt', content: { pieces: 2 } });
      return line('salt', 20, 'dry');
    });
    await b.add({ slug: 'salt' } as never);
    expect([b.lines.at(-1), b.selected]).toEqual([line('salt', 20, 'dry'), 4]);
    server.on('POST', '/formula-lines', () => problem(422, 'no such ingredient'));
    await expect(b.add({ slug: 'x' } as never)).rejects.toThrow('no such ingredient');
    expect(b.lines).toHaveLength(5);
  });

  it('makes one step of undo of a drag, however many moves it had', async () => {
    const b = await bench();
    const before = b.content;
    for (const g of [760, 770, 780]) b.preview(b.withWater(g));
    b.commit(b.content, before);
    expect(b.poured_g).toBe(780);
    b.undo();
    expect(b.poured_g).toBe(700);
    expect(b.canUndo).toBe(false);
  });

  it('sets a share of the flour, and puts a blend under a formula without one', async () => {
    const b = await bench();
    b.setPct(1, 65);
    expect(b.lines[1]!.mass_g).toBe(650);
    const bare = new FormulaBench(found({ ...CONTENT, blend: null, lines: [line('water', 10)] }));
    bare.pinBlend(CONTENT.blend!);
    expect(bare.lines.map((l) => l.ingredient)).toEqual(['@blend', 'water']);
  });

  it('keeps a revision only once every change is saved', async () => {
    const b = await bench();
    b.setLine(1, { mass_g: 800 });
    server.on('POST', '/revisions', ({ version }) => {
      expect(version).toBe('"5"');
      return { ...found(b.content), draft: { ...found(b.content).draft, based_on: 2, version: 6 } };
    });
    await b.keep('wetter');
    expect([b.based_on, b.save.version]).toEqual([2, 6]);
    server.on('PUT', '/draft', () => problem(500, 'no'));
    b.setLine(1, { mass_g: 810 });
    await expect(b.keep('x')).rejects.toThrow('not saved yet');
  });

  it('keeps my draft as a copy when theirs is taken', async () => {
    const b = await bench();
    const theirs = { content: { ...CONTENT, pieces: 9 }, based_on: 1, updated_at: '', version: 9 };
    server.on('PUT', '/draft', () =>
      Response.json({ status: 412, detail: 'stale', current: theirs }, { status: 412 })
    );
    b.setLine(1, { mass_g: 800 });
    await b.save.flush();
    expect(b.save.state).toBe('conflict');
    server.on('POST', '/formulas', ({ body }) => {
      expect(body).toMatchObject({ name: 'Loaf (my draft)', content: { pieces: 2 } });
      return found();
    });
    await b.takeTheirs();
    expect([b.content.pieces, b.save.state]).toEqual([9, 'saved']);
  });

  it('puts back what this browser holds and the server never got', async () => {
    const changed = { ...CONTENT, pieces: 7 };
    localStorage.setItem(
      'fallow-sieve.formula.5',
      JSON.stringify({ content: changed, based_on: 1, version: 4 })
    );
    const b = await bench();
    expect(b.content.pieces).toBe(7);
    expect(b.save.state).not.toBe('conflict');
  });

  it('compares with a revision that is put beside it', async () => {
    const b = await bench();
    await b.showBeside(1);
    expect(b.ghost?.judgement.analysis.hydration_pct).toBe(75);
    await b.showBeside(null);
    expect(b.ghost).toBeNull();
  });
});

describe('two contents', () => {
  it('are the same whatever object they are, and differ by any line or note', () => {
    expect(sameContent(CONTENT, structuredClone(CONTENT))).toBe(true);
    const noted = { ...CONTENT, lines: CONTENT.lines.map((l, n) => (n ? l : { ...l, note: 'sift' })) };
    expect(fingerprint(noted)).not.toBe(fingerprint(CONTENT));
  });
});

describe('the balance of water', () => {
  it('has what comes in by size and what is taken, with the learnt factor on it', () => {
    const b = balanceOf(judged(CONTENT))!;
    expect(b.sources.map((s) => [s.pct, s.from, s.to])).toEqual([
      [70, 0, 70],
      [5, 70, 75]
    ]);
    expect(b.takers.map((t) => Math.round(t.to * 10) / 10)).toEqual([66, 93.5]);
    expect(b.window).toEqual({ low: 80, typical: 93.5, high: 110 });
    expect(balanceScale(b, 1000)(110)).toBeCloseTo(1000 / 1.08);
  });

  it('is drawn without a window where none is known, and not at all without flour', () => {
    expect(balanceOf(judged(CONTENT, false))!.window).toBeNull();
    const none = judged(CONTENT);
    none.analysis.hydration_pct = null;
    expect(balanceOf(none)).toBeNull();
  });
});

describe('a scaling', () => {
  it('asks for one way only', () => {
    const keys = ['flour_g', 'dough_g', 'pieces', 'tin'] as const;
    for (const way of ['flour', 'dough', 'pieces', 'tin'] as const) {
      const asked = askedFor(CONTENT, { ...BEGINNING, way });
      expect(keys.filter((k) => asked[k] !== undefined)).toHaveLength(1);
    }
    expect(askedFor(CONTENT, { ...BEGINNING, fill_pct: 60 }).fill).toBe(0.6);
  });

  it('gives a tin only the lengths that its shape has', () => {
    const wish = { ...BEGINNING, hole_cm: 6, count: 12, base_length_cm: 18, base_width_cm: 8 };
    expect(tinOf({ ...wish, shape: 'box' })).toMatchObject({
      width_cm: 10,
      base_width_cm: 8,
      hole_cm: null,
      count: 1
    });
    expect(tinOf({ ...wish, shape: 'ring' })).toMatchObject({
      width_cm: 20,
      base_width_cm: null,
      hole_cm: 6
    });
    expect(tinOf({ ...wish, shape: 'cups' }).count).toBe(12);
  });

  it('remembers the tin of each formula and says what is wrong', async () => {
    server.on('POST', '/formula-scalings', () => problem(422, 'a ring’s hole'));
    const s = new Scaling(5);
    s.wish = { ...s.wish, tins: 3 };
    s.work(CONTENT);
    await server.settle();
    expect(s.wrong).toBe('a ring’s hole');
    expect([new Scaling(5).wish.tins, new Scaling(6).wish.tins]).toEqual([3, 1]);
  });
});
