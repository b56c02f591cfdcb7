import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../../api/client';
import { notices } from '../../ui/state/notices.svelte';
import type { Cause, Fault, Trial } from '../types';

/** Makes the draft that a cause asks for, in the right place; what was made can be put back. */
export async function tryCause(trial: Trial, fault: Fault, cause: Cause): Promise<Schemas['TriedOut']> {
  const params = { path: { trial_id: trial.id, fault: fault.fault } };
  const body = { cause: cause.cause };
  const { data } = await ask(api.POST('/api/v1/trials/{trial_id}/faults/{fault}/apply', { params, body }));
  if (!data.undo.kind) notices.say(data.say);
  return data;
}

/** Puts a draft back as it was before a change was tried. */
export async function putBack(tried: Schemas['TriedOut']): Promise<void> {
  const { version, ...body } = tried.undo as unknown as Schemas['UndoDraftIn'] & { version: number };
  const params = { header: { 'If-Match': `"${version}"` } };
  const { response } = await api.POST('/api/v1/drafts/undo', { params, body });
  if (!response.ok) throw new Error('It was saved again since: nothing was put back.');
  notices.say('Put back as it was.');
}

/** Plans the same again, with what is taken up, and goes to it. */
export async function sameAgain(trial: Trial, body: Schemas['AgainIn']): Promise<void> {
  const params = { path: { trial_id: trial.id } };
  const { data } = await ask(api.POST('/api/v1/trials/{trial_id}/again', { params, body }));
  await push(`/trial/${data.id}`);
}

/** Undoes a trial of which nothing was noted, and goes back to the one before. */
export async function undoTrial(trial: Trial): Promise<void> {
  const { response } = await api.POST('/api/v1/trials/{trial_id}/undo', {
    params: { path: { trial_id: trial.id } }
  });
  if (!response.ok) throw new Error('Something was noted of this bake: set it aside instead.');
  await push(trial.parent_id ? `/trial/${trial.parent_id}` : '/trials');
}
