import { push } from 'svelte-spa-router';
import type { Schemas } from '../api/client';
import { serverOf } from '../document/server';
import { sendFile } from '../api/sending';

/** Makes a blend, for a brief or for none, and puts it on the bench. */
export async function composeNew(name: string, brief_id: number | null): Promise<void> {
  const empty: Schemas['BlendContentOut'] = { use: null, parts: [] };
  const made = await serverOf<typeof empty>('blends').add(name, brief_id, empty);
  await push(`/bench/${made.head.id}`);
}

/** Sends a blend file or CSV as it is; returns the blend and what there is to say about it. */
export function importFile(file: File): Promise<Schemas['BlendImportOut']> {
  const isCsv = file.name.toLowerCase().endsWith('.csv');
  const name = file.name.replace(/\.[^.]*$/, '').slice(0, 120);
  const path = `blends/import?name=${encodeURIComponent(name)}`;
  return sendFile(path, isCsv ? 'text/csv' : 'application/json', file);
}
