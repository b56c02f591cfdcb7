import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../api/client';
import { sendFile } from '../api/sending';

/** Begins a trial and goes to it. */
export async function beginTrial(body: Schemas['NewTrialIn']): Promise<void> {
  const { data } = await ask(api.POST('/api/v1/trials', { body }));
  await push(`/trial/${data.id}`);
}

/** Brings a trial in from a file and goes to it; returns what there is to say of it. */
export async function bringTrial(file: File): Promise<string[]> {
  const found = await sendFile<Schemas['BroughtOut']>('trials/import', 'application/json', file);
  await push(`/trial/${found.id}`);
  return found.notes;
}
