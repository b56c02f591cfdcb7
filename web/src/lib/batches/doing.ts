import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../api/client';
import type { Batch } from './types';

const of = (batch_id: number): { params: { path: { batch_id: number } } } => ({
  params: { path: { batch_id } }
});
const matching = (b: Batch): { path: { batch_id: number }; header: { 'If-Match': string } } => ({
  path: { batch_id: b.id },
  header: { 'If-Match': `"${b.version}"` }
});

/** Plans a batch of a kept revision, and goes to it. */
export async function planBatch(blend_id: number, revision: number | null = null): Promise<void> {
  const { data } = await ask(api.POST('/api/v1/batches', { body: { blend_id, revision } }));
  await push(`/batch/${data.id}`);
}

export async function loadBatch(id: number): Promise<Batch> {
  return (await ask(api.GET('/api/v1/batches/{batch_id}', of(id)))).data;
}

export async function saveBatch(b: Batch, body: Schemas['BatchIn']): Promise<Batch> {
  return (await ask(api.PUT('/api/v1/batches/{batch_id}', { params: matching(b), body }))).data;
}

/** What is set on a plan, as it is sent back. */
export function setOf(b: Batch): Schemas['BatchIn'] {
  return {
    name: b.name,
    note: b.note,
    archived: b.archived,
    wanted: b.wanted as Schemas['WantedIn'],
    making: b.making as Schemas['BatchMakingIn']
  };
}

export async function bringTo(b: Batch, body: Schemas['StateIn']): Promise<Batch> {
  return (await ask(api.POST('/api/v1/batches/{batch_id}/state', { params: matching(b), body }))).data;
}

export async function noteStep(b: Batch, body: Schemas['BatchStepIn']): Promise<Batch> {
  return (await ask(api.POST('/api/v1/batches/{batch_id}/steps', { ...of(b.id), body }))).data;
}

export async function voidWeighing(b: Batch, key: string, why: string): Promise<Batch> {
  const params = { path: { batch_id: b.id, key } };
  const body = { why, key: crypto.randomUUID() };
  return (await ask(api.POST('/api/v1/batches/{batch_id}/weighings/{key}/void', { params, body }))).data;
}

export async function foundEmpty(batch_id: number, lot_id: number): Promise<number> {
  const { data } = await ask(
    api.POST('/api/v1/batches/{batch_id}/empty', { ...of(batch_id), body: { lot_id } })
  );
  return data.missing_g;
}

export async function waysOut(batch_id: number, ingredient: string): Promise<Schemas['OverPouredOut']> {
  const params = { path: { batch_id }, query: { ingredient } };
  return (await ask(api.GET('/api/v1/batches/{batch_id}/over', { params }))).data;
}

export async function makeMore(b: Batch, ingredient: string): Promise<Batch> {
  return (
    await ask(api.POST('/api/v1/batches/{batch_id}/grow', { params: matching(b), body: { ingredient } }))
  ).data;
}

export async function fillBags(b: Batch, body: Schemas['FillIn']): Promise<Batch> {
  return (await ask(api.POST('/api/v1/batches/{batch_id}/bags', { ...of(b.id), body }))).data;
}

export async function placeBag(bag_id: number, body: Schemas['BatchBagIn']): Promise<Batch> {
  return (await ask(api.PUT('/api/v1/bags/{bag_id}', { params: { path: { bag_id } }, body }))).data;
}

export async function moveBag(bag_id: number, body: Schemas['LeaveIn']): Promise<Batch> {
  return (await ask(api.POST('/api/v1/bags/{bag_id}/moves', { params: { path: { bag_id } }, body }))).data;
}
