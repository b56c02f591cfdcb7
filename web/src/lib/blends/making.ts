import { push } from 'svelte-spa-router';
import { api, ask, asProblem, ProblemError, type Schemas } from '../api/client';

/** Makes a blend, for a brief or for none, and puts it on the bench. */
export async function composeNew(name: string, brief_id: number | null): Promise<void> {
  const { data } = await ask(api.POST('/api/v1/blends', { body: { name, brief_id, parts: [] } }));
  await push(`/bench/${data.blend.id}`);
}

/** Sends a blend file or CSV as it is; returns the blend and what there is to say about it. */
export async function importFile(file: File): Promise<Schemas['ImportOut']> {
  const isCsv = file.name.toLowerCase().endsWith('.csv');
  const name = file.name.replace(/\.[^.]*$/, '').slice(0, 120);
  let response: Response;
  try {
    response = await fetch(`/api/v1/blends/import?name=${encodeURIComponent(name)}`, {
      method: 'POST',
      headers: { 'content-type': isCsv ? 'text/csv' : 'application/json' },
      body: file
    });
  } catch {
    throw new ProblemError(0, 'The kitchen does not answer. Is the application still running?');
  }
  const body: unknown = await response.json().catch(() => null);
  if (!response.ok) throw asProblem(body, response.status);
  return body as Schemas['ImportOut'];
}
