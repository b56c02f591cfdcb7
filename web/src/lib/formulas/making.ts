import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../api/client';
import { sendFile } from '../api/sending';
import { serverOf } from '../document/server';
import type { Content } from './types';

export const EMPTY: Content = {
  use: null,
  consistency: null,
  school: null,
  pieces: 1,
  pan: null,
  portion: null,
  method: '',
  blend: null,
  lines: []
};

/** Makes a formula and puts it on its bench. */
export async function startFormula(
  name: string,
  content: Content = EMPTY,
  brief_id: number | null = null
): Promise<void> {
  const made = await serverOf<Content>('formulas').add(name, brief_id, content);
  await push(`/formula/${made.head.id}`);
}

/** Returns a formula on a complete mix with the water that it wants, which is all that is missing. */
export async function wetted(content: Content): Promise<Content> {
  const body = { content, ingredient: 'water' };
  const { data: water } = await ask(api.POST('/api/v1/formula-lines', { body }));
  return { ...content, lines: [...content.lines, water] };
}

type Blend = Schemas['BlendContentOut'];

/** Keeps a mix as a blend and begins a formula on it, called as the mix or as is said; returns where that stands. */
export async function makeMix(
  name: string,
  made: Pick<Schemas['WholeBagOut'], 'blend' | 'formula'>,
  why: string,
  brief_id: number | null,
  called = name
): Promise<string> {
  const blends = serverOf<Blend>('blends');
  const mix = await blends.add(name, brief_id, made.blend);
  const kept = await blends.keep(mix.head.id, why, mix.draft.version);
  const revision = kept.revisions.at(-1)?.number ?? null;
  const blend = { blend_id: mix.head.id, revision, name, parts: made.blend.parts };
  const formula = await serverOf<Content>('formulas').add(called, brief_id, { ...made.formula, blend });
  return `/formula/${formula.head.id}`;
}

function typeOf(name: string): string {
  if (/\.(txt|text|md)$/i.test(name)) return 'text/plain';
  return /\.jsonld$/i.test(name) ? 'application/ld+json' : 'application/json';
}

/** Sends a formula file, JSON-LD or a recipe as text, as it is; returns the formula and what there is to say of it. */
export function bringIn(file: File): Promise<Schemas['FormulaImportOut']> {
  return sendFile('formulas/import', typeOf(file.name), file);
}
