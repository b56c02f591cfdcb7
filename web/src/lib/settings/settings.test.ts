import { beforeEach, describe, expect, it } from 'vitest';
import { kitchen } from '../app/kitchen.svelte';
import { doing, show, words } from '../testing/showing';
import { problem, TestServer } from '../testing/server';
import SettingsPage from './SettingsPage.svelte';

const SETTINGS = {
  name: 'Test kitchen',
  mass_unit: 'g',
  energy_unit: 'kj',
  temp_unit: 'c',
  cup: 'metric',
  tablespoon: 'metric',
  binder_school: 'by-moisture',
  thickener_school: 'by-power',
  currency: '',
  store_temp_c: 20,
  serving_g: 30,
  version: 3
};
let server: TestServer;

beforeEach(() => {
  kitchen.settings = { ...SETTINGS } as never;
  server = new TestServer().on('PUT', '/kitchen', ({ body }) => ({ ...(body as object), version: 4 }));
});

async function change(root: HTMLElement, label: string, value: string): Promise<void> {
  const id = [...root.querySelectorAll('label')].find((l) => words(l) === label)!.htmlFor;
  const field = root.querySelector<HTMLInputElement>(`#${id}`)!;
  field.value = value;
  field.dispatchEvent(new Event('change', { bubbles: true }));
  await server.settle();
  doing(() => undefined);
}

describe('the settings of the kitchen', () => {
  it('save what was changed on the version that was read, and say so', async () => {
    const root = show(SettingsPage, {});
    await change(root, 'Binder school', 'gum');
    expect(server.last.version).toBe('"3"');
    expect(server.last.body).toMatchObject({ binder_school: 'gum', name: 'Test kitchen' });
    expect(words(root.querySelector('[role=status]'))).toBe('Saved.');
    expect(kitchen.settings?.version).toBe(4);
  });

  it('take a comma in a number, and refuse what is none', async () => {
    const root = show(SettingsPage, {});
    await change(root, 'Own serving of dry mix', '37,5');
    expect(server.last.body).toMatchObject({ serving_g: 37.5 });
    const before = server.asked.length;
    await change(root, 'Own serving of dry mix', 'a lot');
    expect([server.asked.length, words(root.querySelector('[role=alert]'))]).toEqual([
      before,
      '“a lot” is not a number.'
    ]);
  });

  it('keep degrees Celsius inside, whatever is shown', async () => {
    kitchen.settings = { ...SETTINGS, temp_unit: 'f' } as never;
    const root = show(SettingsPage, {});
    const field = root.querySelector<HTMLInputElement>('#temp')!;
    expect(field.value).toBe('68');
    await change(root, 'The store is at', '50');
    expect(server.last.body).toMatchObject({ store_temp_c: 10 });
  });

  it('say what the server refused, and show no success', async () => {
    server.on('PUT', '/kitchen', () => problem(422, 'the name is too long'));
    const root = show(SettingsPage, {});
    await change(root, 'Name', 'x');
    expect(words(root.querySelector('[role=alert]'))).toBe('the name is too long');
    expect(words(root.querySelector('[role=status]'))).toBe('');
  });
});
