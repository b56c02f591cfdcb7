import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../api/client';

/** Begins a trial and goes to it. */
export async function beginTrial(body: Schemas['NewTrialIn']): Promise<void> {
  const { data } = await ask(api.POST('/api/v1/trials', { body }));
  await push(`/trial/${data.id}`);
}
