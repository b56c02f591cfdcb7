import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { problem, TestServer } from '../../testing/server';
import { BLOCK, ShelfList } from './shelf.svelte';
import { MOST, tray } from './tray.svelte';

let server: TestServer;
const TOTAL = 250;

function page(cursor: number, total = TOTAL): unknown {
  const count = Math.max(0, Math.min(BLOCK, total - cursor));
  return {
    columns: [],
    scales: [],
    basis: { kind: '100g', mass_g: 100, volume_ml: null },
    items: Array.from({ length: count }, (_, n) => ({ slug: `flour-${cursor + n}`, cells: [] })),
    notes: [{ quality: 'table', source: `page ${cursor}`, noted_on: '' }],
    total,
    next: null
  };
}

beforeEach(() => {
  localStorage.clear();
  server = new TestServer().on('GET', '/shelf', (a) =>
    page(Number(a.query.get('cursor')), a.query.get('q') ? 3 : TOTAL)
  );
});

afterEach(() => vi.unstubAllGlobals());

async function loaded(): Promise<ShelfList> {
  const list = new ShelfList();
  list.load();
  await server.settle();
  return list;
}

describe('the shelf as a list of any length', () => {
  it('begins with the first block, and knows how many there are', async () => {
    const list = await loaded();
    expect([list.total, list.all, list.ready]).toEqual([TOTAL, TOTAL, true]);
    expect(list.row(0)?.row.slug).toBe('flour-0');
    expect(list.row(150)).toBeNull();
  });

  it('fetches only the blocks that are looked at, and each once', async () => {
    const list = await loaded();
    await list.look(90, 130);
    await list.look(90, 130);
    expect(server.asked.map((a) => a.query.get('cursor'))).toEqual(['0', '100']);
    expect(list.row(130)?.row.slug).toBe('flour-130');
    expect(list.row(130)?.notes[0]?.source).toBe('page 100');
  });

  it('asks for nothing past the end', async () => {
    const list = await loaded();
    await list.look(240, 900);
    expect(server.asked.map((a) => a.query.get('cursor'))).toEqual(['0', '200']);
  });

  it('begins anew with a filter, and keeps the count of all', async () => {
    const list = await loaded();
    await list.look(100, 120);
    list.want({ q: 'teff', roles: ['starch', 'legume'], in_stock: true });
    await server.settle();
    expect([list.total, list.all, list.filtered]).toEqual([3, TOTAL, true]);
    expect(list.row(100)).toBeNull();
    const asked = server.last.query;
    expect([asked.get('q'), asked.get('roles'), asked.get('in_stock')]).toEqual([
      'teff',
      'starch,legume',
      '1'
    ]);
    list.forget();
    await server.settle();
    expect([list.total, list.filtered]).toEqual([TOTAL, false]);
  });

  it('sends no sort until one is chosen, so that what was looked for stands best first', async () => {
    const list = await loaded();
    expect(server.last.query.has('sort')).toBe(false);
    list.show({ sort: 'fibre_g', descending: true });
    await server.settle();
    expect([server.last.query.get('sort'), server.last.query.get('descending')]).toEqual(['fibre_g', '1']);
  });

  it('remembers basis, columns and order in this browser', async () => {
    (await loaded()).show({ basis: 'cup', columns: ['iron_mg'] });
    expect(new ShelfList().view).toMatchObject({ basis: 'cup', columns: ['iron_mg'] });
  });

  it('of letters typed fast asks for the last, and an old answer never follows it', async () => {
    const list = await loaded();
    for (const q of ['s', 'so', 'sor', 'sorg']) list.want({ q });
    await server.settle();
    expect(server.asked.map((a) => a.query.get('q'))).toEqual(['', 's', 'sorg']);
  });

  it('says what went wrong, and asks for the block again when it is looked at again', async () => {
    const list = await loaded();
    server.on('GET', '/shelf', () => problem(503, 'The database is busy'));
    await list.look(100, 120);
    expect(list.trouble).toBe('The database is busy');
    server.on('GET', '/shelf', (a) => page(Number(a.query.get('cursor'))));
    await list.look(100, 120);
    expect(list.row(110)?.row.slug).toBe('flour-110');
  });
});

describe('what is laid out', () => {
  beforeEach(() => tray.empty());

  it('is put there and back, and remembered', () => {
    tray.toggle('a', 'A');
    tray.toggle('b', 'B');
    tray.toggle('a', 'A');
    expect(tray.all).toEqual([['b', 'B']]);
    expect(localStorage.getItem('fallow-tray')).toContain('"b"');
  });

  it('is six at most', () => {
    for (let n = 0; n < MOST + 2; n++) tray.toggle(`f${n}`, `F${n}`);
    expect(tray.all).toHaveLength(MOST);
    expect([tray.full, tray.has('f5'), tray.has('f6')]).toEqual([true, true, false]);
  });
});
