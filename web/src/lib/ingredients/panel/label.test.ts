import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { problem, TestServer } from '../../testing/server';
import { Label } from './label.svelte';

let server: TestServer;
const READ = {
  numbers: [],
  serving_g: { low: 30, typical: 30, high: 30 },
  gives: [],
  checks: [],
  can_use: true
};

beforeEach(() => {
  localStorage.clear();
  server = new TestServer().on('POST', '/labels/try', () => READ).on('POST', '/labels', () => READ);
});

afterEach(() => vi.unstubAllGlobals());

describe('a label while it is typed', () => {
  it('asks nothing while nothing is printed', async () => {
    const label = new Label('teff-flour');
    label.type({ amount: '30' });
    await server.settle();
    expect([server.asked.length, label.empty]).toEqual([0, true]);
  });

  it('is read with its serving, and only what is printed is sent', async () => {
    const label = new Label('teff-flour');
    label.type({ amount: '0,25', unit: 'cup', weighs: '30', convention: 'inside' });
    label.print('protein_g', '4');
    label.print('fat_g', ' ');
    await server.settle();
    expect(server.last.body).toEqual({
      ingredient: 'teff-flour',
      lot_id: null,
      amount: 0.25,
      unit: 'cup',
      weighs_g: 30,
      convention: 'inside',
      printed: { protein_g: '4' }
    });
    expect(label.found?.can_use).toBe(true);
  });

  it('keeps what was typed over a reload, and forgets it once it is used', async () => {
    const label = new Label('teff-flour');
    label.print('protein_g', '4');
    await server.settle();
    expect(new Label('teff-flour').typed.printed).toEqual({ protein_g: '4' });
    expect(new Label('oat-flour').empty).toBe(true);
    expect(await label.use()).toBe(true);
    expect(new Label('teff-flour').empty).toBe(true);
  });

  it('says what is wrong and where, and keeps what was typed', async () => {
    server.on('POST', '/labels/try', () => problem(422, 'cannot read “much”', '/printed/fat_g'));
    const label = new Label('teff-flour');
    label.print('fat_g', 'much');
    await server.settle();
    expect([label.wrong, label.place]).toEqual(['cannot read “much”', '/printed/fat_g']);
    expect(label.typed.printed.fat_g).toBe('much');
    server.on('POST', '/labels', () => problem(422, 'it cannot be', '/printed/fat_g'));
    expect(await label.use()).toBe(false);
    expect(new Label('teff-flour').typed.printed.fat_g).toBe('much');
  });

  it('takes from a pasted text what was understood and leaves the rest as it was', async () => {
    server.on('POST', '/labels/understand', () => ({
      printed: { energy_kcal: '110' },
      serving: '2',
      serving_unit: 'tablespoon',
      serving_g: '15',
      convention: null,
      lines: [{ text: 'Keep dry', status: 'not', say: 'not understood' }]
    }));
    const label = new Label('teff-flour');
    label.type({ convention: 'inside', printed: { protein_g: '2' } });
    await label.paste('Calories 110\nKeep dry');
    expect(label.typed).toMatchObject({
      amount: '2',
      unit: 'tablespoon',
      weighs: '15',
      convention: 'inside'
    });
    expect(label.typed.printed).toEqual({ protein_g: '2', energy_kcal: '110' });
    expect(label.lines).toHaveLength(1);
  });
});
