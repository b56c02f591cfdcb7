import { push } from 'svelte-spa-router';
import { api, ask, type Schemas } from '../api/client';
import { serverOf } from '../document/server';
import { instantOf, localOf } from './clock';
import type { Content, Product, Workplace } from './types';

/** Returns the zone of this browser. */
function zoneHere(): string {
  return Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC';
}

/** Returns where the kitchen works. */
export async function workplace(): Promise<Workplace> {
  return (await ask(api.GET('/api/v1/workplace'))).data;
}

/** Returns an empty schedule as of `now` in the kitchen's zone. */
export function emptySchedule(place: Workplace, now: string): Content {
  return {
    format: 'fallow-sieve/schedule',
    version: 1,
    name: '',
    zone: place.zone || zoneHere(),
    now,
    kitchen: null,
    products: []
  };
}

/** Returns tomorrow at nine in the zone, as its clock shows it. */
export function tomorrowAtNine(now: string, zone: string): string {
  const day = localOf(instantOf(localOf(now, zone), zone) + 24 * 3600_000, zone).slice(0, 10);
  return `${day}T09:00`;
}

/** Returns a formula of the kitchen as a product that is ready at a time of the kitchen's clock. */
export async function productOf(formula: Schemas['HeadOut'], ready_at: string | null): Promise<Product> {
  const found = await fetch(`/api/v1/formulas/${formula.id}/export?format=json`);
  if (!found.ok) throw new Error(`${formula.name} cannot be read.`);
  const file = (await found.json()) as Schemas['FormulaFile'];
  const leaven = file.lines.some((l) => l.stage === 'leaven');
  const jar = leaven ? (await ask(api.GET('/api/v1/starters'))).data.items[0] : undefined;
  const starter_id = jar?.starter.id ?? null;
  return { id: formula.name, formula_id: formula.id, formula: file, ready_at, starter_id };
}

/** Makes a schedule and goes to it. */
export async function startSchedule(name: string, products: Product[] = []): Promise<void> {
  const place = await workplace();
  const empty = emptySchedule(place, place.now);
  const made = await serverOf<Content>('schedules').add(name, null, { ...empty, products });
  await push(`/schedule/${made.head.id}`);
}

/** Begins the trial of a product that was made by a plan, with what ran and was read there, and goes to it. */
export async function judgeBake(schedule_id: number, product: Product): Promise<void> {
  if (!product.formula_id)
    throw new Error('Its formula is not in this kitchen: begin the trial from a formula.');
  const body = { formula_id: product.formula_id, schedule_id, product: product.id };
  const { data } = await ask(api.POST('/api/v1/trials', { body }));
  await push(`/trial/${data.id}`);
}
