import { beforeEach, describe, expect, it } from 'vitest';
import { kitchen } from '../app/kitchen.svelte';
import { doing, show, words } from '../testing/showing';
import { problem, TestServer } from '../testing/server';
import { notices } from '../ui/state/notices.svelte';
import FormulasPage from './FormulasPage.svelte';

const formula = (id: number, name: string, more = {}) => ({
  head: { id, name, brief_id: null, archived: false, version: 2, created_at: '', updated_at: '' },
  standing: {
    use: 'tin-loaf',
    blend_name: 'Summit mix',
    state: 'close',
    say: 'Nothing holds it. Close: binder (light).',
    dough_g: 932,
    hydration_pct: 89,
    wanted_low_pct: 87,
    wanted_high_pct: 101,
    bakes: 9,
    revisions: 2,
    kept: false,
    ...more
  }
});
let server: TestServer;

beforeEach(() => {
  notices.all = [];
  kitchen.settings = { mass_unit: 'g' } as never;
  kitchen.reference = { uses: [{ slug: 'tin-loaf', name: 'Tin loaf' }], metrics: [], roles: [] } as never;
  server = new TestServer().on('GET', '/formulas', ({ query }) => ({
    items:
      query.get('archived') === '1'
        ? [formula(7, 'Old rolls')]
        : [formula(1, 'Loaf'), formula(2, 'Cake', { bakes: 0, revisions: 0, hydration_pct: null })],
    next: null
  }));
});

async function page(): Promise<HTMLElement> {
  const root = show(FormulasPage, {});
  await server.settle();
  doing(() => undefined);
  return root;
}

async function click(root: HTMLElement, name: string): Promise<void> {
  const button = [...root.querySelectorAll('button')].find((b) => words(b).startsWith(name))!;
  button.click();
  await server.settle();
  doing(() => undefined);
}

describe('the list of formulas', () => {
  it('says of each what it rests on, how it stands and its water', async () => {
    const root = await page();
    const [loaf, cake] = [...root.querySelectorAll('li')];
    expect(words(loaf)).toContain(
      'on Summit mix · tin loaf · 932 g dough · 9 bakes behind its water · 2 kept, draft changed since'
    );
    expect(words(loaf)).toContain('Nothing holds it. Close: binder (light).');
    expect(loaf!.querySelector('svg[role=img]')!.getAttribute('aria-label')).toBe(
      'Water 89 % of flour, wanted 87 to 101'
    );
    expect(words(cake)).toContain('not kept yet');
    expect(cake!.querySelector('svg[role=img]')).toBeNull();
  });

  it('puts one away on the version it has, and looks among those put away', async () => {
    server.on('PUT', '/formulas/1', ({ body, version }) => {
      expect([body, version]).toEqual([{ name: 'Loaf', brief_id: null, archived: true }, '"2"']);
      return {};
    });
    const root = await page();
    await click(root, 'put away');
    expect(notices.all.at(-1)?.say).toBe('Loaf is put away. It stays among those put away.');
    await click(root, 'Show those put away');
    expect([words(root.querySelector('h1')), words(root.querySelector('li .name'))]).toEqual([
      'Formulas put away',
      'Old rolls'
    ]);
  });

  it('says what the server refused, and keeps the list', async () => {
    server.on('PUT', '/formulas/1', () => problem(412, 'someone saved this in between'));
    const root = await page();
    await click(root, 'put away');
    expect(notices.all.at(-1)).toMatchObject({ say: 'someone saved this in between', wrong: true });
    expect(root.querySelectorAll('li')).toHaveLength(2);
  });

  it('teaches the next step where there is none yet', async () => {
    server.on('GET', '/formulas', () => ({ items: [], next: null }));
    const root = await page();
    expect(words(root)).toContain('No formula yet. A formula is a blend at work');
    expect([...root.querySelectorAll('a.action')].map(words)).toEqual(['Paste a recipe']);
  });

  it('offers another try where the kitchen does not answer', async () => {
    server.on('GET', '/formulas', () => problem(500, 'the disk is full'));
    const root = await page();
    expect(words(root)).toContain('the disk is full');
    server.on('GET', '/formulas', () => ({ items: [formula(1, 'Loaf')], next: null }));
    root.querySelector<HTMLButtonElement>('button')!.click();
    await server.settle();
    doing(() => undefined);
    expect(root.querySelectorAll('li')).toHaveLength(1);
  });
});
