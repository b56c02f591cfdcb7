import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../api/client';
import type { Asked, Experiment, Point } from './types';

export interface Loaded {
  experiment: Experiment;
  version: string;
}

const loaded = ({ data, version }: { data: Experiment; version: string }): Loaded => ({
  experiment: data,
  version
});
const of = (experiment_id: number): { params: { path: { experiment_id: number } } } => ({
  params: { path: { experiment_id } }
});

/** Begins an experiment on a formula and goes to it. */
export async function beginExperiment(formula_id: number): Promise<void> {
  const { data } = await ask(api.POST('/api/v1/experiments', { body: { formula_id, name: '' } }));
  await push(`/experiment/${data.id}`);
}

export async function loadExperiment(experiment_id: number, fourth?: number): Promise<Loaded> {
  const params = { path: { experiment_id }, query: { fourth } };
  return loaded(await ask(api.GET('/api/v1/experiments/{experiment_id}', { params })));
}

export interface Set {
  name: string;
  note: string;
  archived: boolean;
  asked: Asked;
}

export async function saveExperiment(experiment_id: number, body: Set, version: string): Promise<Loaded> {
  const params = { path: { experiment_id }, header: { 'If-Match': version } };
  return loaded(await ask(api.PUT('/api/v1/experiments/{experiment_id}', { params, body })));
}

export async function planBakes(id: number): Promise<Loaded> {
  return loaded(await ask(api.POST('/api/v1/experiments/{experiment_id}/plan', of(id))));
}

export async function goOn(id: number, body: Schemas['NextIn']): Promise<Loaded> {
  return loaded(await ask(api.POST('/api/v1/experiments/{experiment_id}/runs', { ...of(id), body })));
}

export async function noteRun(
  experiment_id: number,
  number: number,
  body: Schemas['RunIn']
): Promise<Loaded> {
  const params = { path: { experiment_id, number } };
  return loaded(await ask(api.PUT('/api/v1/experiments/{experiment_id}/runs/{number}', { params, body })));
}

/** Begins the trial of a bake, or finds the one it has, and goes to it. */
export async function bakeRun(experiment_id: number, number: number): Promise<void> {
  const params = { path: { experiment_id, number } };
  const { data } = await ask(api.POST('/api/v1/experiments/{experiment_id}/runs/{number}/bake', { params }));
  await push(`/trial/${data.trial_id}`);
}

export async function keepPoint(id: number, x: number[]): Promise<Schemas['KeptOut']> {
  return (await ask(api.POST('/api/v1/experiments/{experiment_id}/keep', { ...of(id), body: { x } }))).data;
}

export async function pointAt(id: number, x: number[]): Promise<Point> {
  return (await ask(api.POST('/api/v1/experiments/{experiment_id}/point', { ...of(id), body: { x } }))).data;
}
