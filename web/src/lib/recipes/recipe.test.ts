import { beforeEach, describe, expect, it } from 'vitest';
import { problem, TestServer } from '../testing/server';
import { Recipe } from './recipe.svelte';

const PINNED = { blend_id: 1, revision: 2, name: 'Mix', parts: [] };
const READ = { title: 'Cake', pieces: 12, lines: [], steps: [], unread: [], checks: [], content: {} };
let server: TestServer;

beforeEach(() => {
  localStorage.clear();
  server = new TestServer()
    .on('POST', '/recipes/read', () => READ)
    .on('POST', '/recipes/convert', () => ({ read: READ, changes: [], poor: [], content: {} }));
});

async function worked(recipe: Recipe): Promise<void> {
  recipe.work();
  await server.settle();
}

describe('a recipe that is pasted', () => {
  it('is only read until a blend and a use are chosen', async () => {
    const recipe = new Recipe();
    recipe.text = '250 g flour';
    await worked(recipe);
    expect([server.last.path.split('/').at(-1), recipe.read?.title, recipe.over]).toEqual([
      'read',
      'Cake',
      null
    ]);
  });

  it('is made over with the changes that are switched off left out', async () => {
    const recipe = new Recipe();
    Object.assign(recipe, { text: '250 g flour', blend: PINNED, use: 'layer-cake' });
    recipe.toggle('binder');
    recipe.toggle('water');
    recipe.toggle('binder');
    await worked(recipe);
    expect(server.last.body).toMatchObject({ use: 'layer-cake', off: ['water'], blend: PINNED });
    expect(recipe.over).not.toBeNull();
  });

  it('is still read where it cannot be made over, and says why not', async () => {
    server.on('POST', '/recipes/convert', () => problem(422, 'there is no wheat flour in the recipe'));
    const recipe = new Recipe();
    Object.assign(recipe, { text: '250 g rice flour', blend: PINNED, use: 'layer-cake' });
    await worked(recipe);
    expect([recipe.cannot, recipe.read?.title, recipe.over]).toEqual([
      'there is no wheat flour in the recipe',
      'Cake',
      null
    ]);
  });

  it('keeps what was chosen for a line as long as that line stays', async () => {
    const recipe = new Recipe();
    recipe.paste('250 g flour\n50 g nut butter');
    recipe.choose(2, 'almond-meal');
    recipe.paste('300 g flour\n50 g nut butter');
    expect(recipe.chosen).toEqual({ 2: 'almond-meal' });
    recipe.paste('300 g flour\n60 g nut butter');
    expect(recipe.chosen).toEqual({});
  });

  it('is found again in this browser', async () => {
    const recipe = new Recipe();
    recipe.text = '250 g flour';
    await worked(recipe);
    expect(new Recipe().text).toBe('250 g flour');
  });

  it('takes the newest kept revision of a blend, and its use where none is chosen', async () => {
    server.on('GET', '/blends/7', () => ({
      head: { id: 7, name: 'Tin mix' },
      draft: { content: { use: null, parts: [] } },
      revisions: [
        { number: 1, content: { use: null, parts: [] } },
        { number: 2, content: { use: 'tin-loaf', parts: [{ ingredient: 'teff-flour', mass_g: 1 }] } }
      ]
    }));
    const recipe = new Recipe();
    await recipe.takeBlend(7);
    expect([recipe.blend?.revision, recipe.blend?.parts.length, recipe.use]).toEqual([2, 1, 'tin-loaf']);
    await recipe.takeBlend(null);
    expect(recipe.blend).toBeNull();
  });
});
