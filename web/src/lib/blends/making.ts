import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../api/client';
import { sendFile } from '../files/sending';

/** Makes a blend, for a brief or for none, and puts it on the bench. */
export async function composeNew(name: string, brief_id: number | null): Promise<void> {
  const { data } = await ask(api.POST('/api/v1/blends', { body: { name, brief_id, parts: [] } }));
  await push(`/bench/${data.blend.id}`);
}

/** Sends a blend file or CSV as it is; returns the blend and what there is to say about it. */
export function importFile(file: File): Promise<Schemas['ImportOut']> {
  const isCsv = file.name.toLowerCase().endsWith('.csv');
  const name = file.name.replace(/\.[^.]*$/, '').slice(0, 120);
  const path = `blends/import?name=${encodeURIComponent(name)}`;
  return sendFile(path, isCsv ? 'text/csv' : 'application/json', file);
}
