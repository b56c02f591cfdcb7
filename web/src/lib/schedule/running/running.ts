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

/** Returns the moment of a plan at an instant (ms): what is due is what is begun, or begins within ten minutes. */
export function momentOf(steps: readonly Step[], at: number): Moment {
  const open = steps.filter((s) => s.state !== 'done');
  const wanted = open.filter((s) => s.hands.length).toSorted((a, b) => due(a).localeCompare(due(b)));
  const [first, ...rest] = wanted;
  const isNow = first && minutesBetween(at, due(first)) <= SOON_MIN;
  const resting = open.filter(
    (s) => s !== (isNow ? first : null) && s.state === 'running' && minutesBetween(s.at, s.end) > 5
  );
  return { now: isNow ? first : null, next: isNow ? rest.slice(0, 3) : wanted.slice(0, 3), resting };
}

/** When a step next wants hands: at its beginning, or where it runs at its last hands. */
function due(step: Step): string {
  return step.state === 'running' ? (step.hands.at(-1)?.[0] ?? step.end) : step.at;
}

/** Returns the content in which a step is done at an instant (ms), and what follows without hands has begun. */
export function doneAt(bench: ScheduleBench, step: Step, at: number): Content {
  const product = bench.productOf(step)!;
  const ended = local(at, bench.zone);
  const began =
    product.done?.[step.step]?.began ?? (Date.parse(step.at) < at ? localOf(step.at, bench.zone) : ended);
  const done = { ...product.done, [step.step]: { began, ended } };
  for (const s of followers(bench.steps, step, done)) done[s.step] = { began: ended };
  return bench.withProduct(step.product, { done });
}

function local(at: number, zone: string): string {
  return localOf(at, zone);
}

/** Steps that begin by themselves once a step is done: those without hands at their beginning, all before them done. */
function followers(steps: readonly Step[], step: Step, done: NonNullable<Product['done']>): Step[] {
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
  readings[step.step] = [...(readings[step.step] ?? []), { at: local(at, bench.zone), rise_pct, dough_c }];
  const warmer = dough_c !== null && !product.readings?.[step.step] ? { dough_c } : {};
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
