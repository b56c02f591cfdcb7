import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../api/client';
import type { Tasting } from './types';

export interface Loaded {
  tasting: Tasting;
  version: string;
}

const loaded = ({ data, version }: { data: Tasting; version: string }): Loaded => ({
  tasting: data,
  version
});

/** Begins a table, of trials where they are known, and goes to it. */
export async function beginTasting(body: Schemas['NewTastingIn']): Promise<void> {
  const { data } = await ask(api.POST('/api/v1/tastings', { body }));
  await push(`/tasting/${data.id}`);
}

export async function loadTasting(tasting_id: number): Promise<Loaded> {
  return loaded(await ask(api.GET('/api/v1/tastings/{tasting_id}', { params: { path: { tasting_id } } })));
}

export async function saveTasting(
  tasting_id: number,
  body: Schemas['TastingIn'],
  version: string
): Promise<Loaded> {
  const params = { path: { tasting_id }, header: { 'If-Match': version } };
  return loaded(await ask(api.PUT('/api/v1/tastings/{tasting_id}', { params, body })));
}

const of = (tasting_id: number): { params: { path: { tasting_id: number } } } => ({
  params: { path: { tasting_id } }
});

export async function openTasting(id: number): Promise<Loaded> {
  return loaded(await ask(api.POST('/api/v1/tastings/{tasting_id}/open', of(id))));
}

export async function closeTasting(id: number): Promise<Loaded> {
  return loaded(await ask(api.POST('/api/v1/tastings/{tasting_id}/close', of(id))));
}

export async function unblindTasting(id: number, who: string): Promise<Loaded> {
  return loaded(await ask(api.POST('/api/v1/tastings/{tasting_id}/unblind', { ...of(id), body: { who } })));
}

export async function comeLate(id: number, body: Schemas['LateSeatIn']): Promise<Loaded> {
  return loaded(await ask(api.POST('/api/v1/tastings/{tasting_id}/seats', { ...of(id), body })));
}

const seatOf = (
  tasting_id: number,
  seat: number
): { params: { path: { tasting_id: number; seat: number } } } => ({
  params: { path: { tasting_id, seat } }
});

export async function leaveOut(id: number, seat: number, sample: number): Promise<Loaded> {
  const body = { sample };
  return loaded(
    await ask(api.POST('/api/v1/tastings/{tasting_id}/seats/{seat}/leave-out', { ...seatOf(id, seat), body }))
  );
}

export async function liftAt(id: number, seat: number, body: Schemas['LiftIn']): Promise<Loaded> {
  return loaded(
    await ask(api.POST('/api/v1/tastings/{tasting_id}/seats/{seat}/lift', { ...seatOf(id, seat), body }))
  );
}

export async function dropSeat(id: number, seat: number, why: string): Promise<Loaded> {
  const body = { why };
  return loaded(
    await ask(api.POST('/api/v1/tastings/{tasting_id}/seats/{seat}/drop', { ...seatOf(id, seat), body }))
  );
}
