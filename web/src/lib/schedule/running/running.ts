import type { Schemas } from '../../api/client';
import { later, localOf, minutesBetween } from '../clock';
import type { ScheduleBench } from '../schedule.svelte';
import type { Content, Product, Step } from '../types';

/** What wants hands now, what comes next, and what rests meanwhile. */
export interface Moment {
  now: Step | null;
  next: Step[];
  resting: Step[];
}

const SOON_MIN = 10;

/** Returns whether hands stay with a step to its end, or come back for it: a bake is taken out, a leaven is left. */
export function endsInHands(step: Step): boolean {
  const last = step.hands.at(-1)?.[1];
  return last !== undefined && minutesBetween(last, step.end) <= SOON_MIN / 2;
}

/** Returns the moment of a plan at an instant (ms): what is due is what is begun, or begins within ten minutes. */
export function momentOf(steps: readonly Step[], at: number): Moment {
  const open = steps.filter((s) => s.state !== 'done');
  const wanted = open
    .filter((s) => s.hands.length && (s.state === 'planned' || endsInHands(s)))
    .toSorted((a, b) => due(a).localeCompare(due(b)));
  const [first, ...rest] = wanted;
  const isNow = first && minutesBetween(at, due(first)) <= SOON_MIN;
  const resting = open.filter((s) => s !== (isNow ? first : null) && s.state === 'running');
  return { now: isNow ? first : null, next: isNow ? rest.slice(0, 3) : wanted.slice(0, 3), resting };
}

/** When a step next wants hands: at its beginning, or where it runs at its last hands. */
export function due(step: Step): string {
  return step.state === 'running' ? (step.hands.at(-1)?.[0] ?? step.end) : step.at;
}

/** To what the timer of a step counts: its beginning, the end of its first hands, or where it runs its end. */
export function countsTo(step: Step, at: number): string {
  if (step.state === 'running') return step.end;
  if (Date.parse(step.at) > at) return step.at;
  return endsInHands(step) && step.hands.length === 1 ? step.end : (step.hands[0]?.[1] ?? step.end);
}

type Done = NonNullable<Product['done']>;

/**
 * Returns the content in which the hands of a step are done at an instant (ms): it is over, or goes on by itself; what
 * went on before it is over; and what follows without hands has begun.
 */
export function doneAt(bench: ScheduleBench, step: Step, at: number): Content {
  const product = bench.productOf(step)!;
  const now = localOf(at, bench.zone);
  const planned = Date.parse(step.at) < at ? localOf(step.at, bench.zone) : now;
  const began = product.done?.[step.step]?.began ?? planned;
  const done: Done = { ...product.done };
  for (const name of step.after)
    if (done[name] && !done[name].ended) done[name] = { ...done[name], ended: began };
  const goesOn = step.state === 'planned' && !(endsInHands(step) && step.hands.length === 1);
  done[step.step] = goesOn ? { began } : { began, ended: now };
  if (!goesOn) for (const s of followers(bench.steps, step, done)) done[s.step] = { began: now };
  return bench.withProduct(step.product, { done });
}

/** Returns the rises of a product that one content ends and another did not. */
export function endedRises(before: Content, after: Content, steps: readonly Step[]): Step[] {
  const ended = (content: Content, s: Step) =>
    content.products.find((p) => p.id === s.product)?.done?.[s.step]?.ended;
  return steps.filter((s) => s.kind === 'ferment' && ended(after, s) && !ended(before, s));
}

/** Steps that begin by themselves once a step is done: those without hands at their beginning, all before them done. */
function followers(steps: readonly Step[], step: Step, done: Done): Step[] {
  return steps.filter(
    (s) =>
      s.product === step.product &&
      s.after.includes(step.step) &&
      !done[s.step] &&
      !s.hands.some(([a]) => a === s.at) &&
      s.after.every((name) => done[name]?.ended)
  );
}

/** Returns the content in which a step begins five minutes later than now, or than it stood. */
export function notYet(bench: ScheduleBench, step: Step, at: number): Content {
  const from = Math.max(at, Date.parse(step.at));
  const rounded = Math.ceil(from / 300_000) * 300_000;
  return bench.pinnedAt(step, later(rounded, rounded > from ? 0 : 5));
}

/** Returns the content with a reading of a rise: its rise in %, the dough's °C, or both. */
export function withReading(
  bench: ScheduleBench,
  step: Step,
  at: number,
  rise_pct: number | null,
  dough_c: number | null
): Content {
  const product = bench.productOf(step)!;
  const readings = { ...product.readings };
  readings[step.step] = [...(readings[step.step] ?? []), { at: localOf(at, bench.zone), rise_pct, dough_c }];
  const first =
    dough_c !== null && !Object.values(product.readings ?? {}).some((r) => r.some((x) => x.dough_c != null));
  const warmer = first ? { dough_c, planned_dough_c: product.dough_c ?? 26 } : {};
  return bench.withProduct(step.product, { readings, ...warmer });
}

/** Returns a time left as a clock shows it: 8 min 12 s, 1 h 05 min. */
export function left(ms: number): { value: string; unit: string }[] {
  const s = Math.max(0, Math.round(ms / 1000));
  const [h, min] = [Math.floor(s / 3600), Math.floor((s % 3600) / 60)];
  if (h)
    return [
      { value: String(h), unit: 'h' },
      { value: String(min).padStart(2, '0'), unit: 'min' }
    ];
  return [
    { value: String(min), unit: 'min' },
    { value: String(s % 60).padStart(2, '0'), unit: 's' }
  ];
}

export type Heat = Schemas['HeatOut'];

/** Ovens that are to be switched on by now, or within ten minutes, or are heating: for which bake, and what is next. */
export function ovensDue(
  bench: ScheduleBench,
  heats: readonly Heat[],
  at: number
): { heat: Heat; on: boolean }[] {
  return heats
    .map((heat) => ({ heat, noted: bench.productOf(heat)?.heats?.[heat.step] }))
    .filter(({ heat, noted }) => !noted?.ended && (noted || minutesBetween(at, heat.at) <= SOON_MIN))
    .map(({ heat, noted }) => ({ heat, on: noted !== undefined }));
}

/** Returns the content in which an oven is switched on now, or is hot now. */
export function heatedAt(bench: ScheduleBench, heat: Heat, at: number): Content {
  const product = bench.productOf(heat)!;
  const noted = product.heats?.[heat.step];
  const now = localOf(at, bench.zone);
  const heats = { ...product.heats, [heat.step]: noted ? { ...noted, ended: now } : { began: now } };
  return bench.withProduct(heat.product, { heats });
}
