import { push } from 'svelte-spa-router';
import { api, ask, asProblem, ProblemError, type Schemas } from '../api/client';
import type { Content } from '../formula/types';

export const EMPTY: Content = {
  use: null,
  consistency: null,
  school: null,
  pieces: 1,
  pan: null,
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
  const body = { name, brief_id, content: content as Schemas['ContentIn'] };
  const { data } = await ask(api.POST('/api/v1/formulas', { body }));
  await push(`/formula/${data.formula.id}`);
}

function typeOf(name: string): string {
  if (/\.(txt|text|md)$/i.test(name)) return 'text/plain';
  return /\.jsonld$/i.test(name) ? 'application/ld+json' : 'application/json';
}

/** Sends a formula file, JSON-LD or a recipe as text, as it is; returns the formula and what there is to say of it. */
export async function bringIn(file: File): Promise<Schemas['FormulaImportOut']> {
  let response: Response;
  try {
    const headers = { 'content-type': typeOf(file.name) };
    response = await fetch('/api/v1/formulas/import', { method: 'POST', headers, body: file });
  } catch {
    throw new ProblemError(0, 'The kitchen does not answer. Is the application still running?');
  }
  const body: unknown = await response.json().catch(() => null);
  if (!response.ok) throw asProblem(body, response.status);
  return body as Schemas['FormulaImportOut'];
}
