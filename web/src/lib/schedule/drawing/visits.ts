import type { Step } from '../types';

/** A stretch in which somebody is at work: its steps, from when to when (ms). */
export interface Visit {
  from: number;
  to: number;
  steps: Step[];
}

const TOUCH_MS = 5 * 60_000;

/** Returns the stretches of work, those that touch made one. */
export function visitsOf(steps: readonly Step[]): Visit[] {
  const spans = steps
    .flatMap((step) => step.hands.map(([a, b]) => ({ from: Date.parse(a!), to: Date.parse(b!), step })))
    .toSorted((a, b) => a.from - b.from);
  const found: Visit[] = [];
  for (const { from, to, step } of spans) {
    const last = found.at(-1);
    if (last && from <= last.to + TOUCH_MS) {
      last.to = Math.max(last.to, to);
      if (!last.steps.includes(step)) last.steps.push(step);
    } else {
      found.push({ from, to, steps: [step] });
    }
  }
  return found;
}

export interface Placed<T> {
  item: T;
  x: number;
  row: number;
}

/**
 * Places labels that begin at `x`, each so wide, in rows; what would lie on another and finds no row is left out,
 * those of `first` never.
 */
export function placed<T>(
  items: readonly T[],
  x: (item: T) => number,
  width: (item: T) => number,
  rows: number,
  right: number,
  first: (item: T) => boolean = () => false
): Placed<T>[] {
  const ends = Array.from({ length: rows }, () => [] as [number, number][]);
  const found: Placed<T>[] = [];
  const order = [...items.filter(first), ...items.filter((i) => !first(i))];
  for (const item of order) {
    const at = Math.min(x(item), right - width(item));
    const span: [number, number] = [at, at + width(item) + 8];
    const row = ends.findIndex((taken) => taken.every(([a, b]) => span[1] <= a || span[0] >= b));
    if (row < 0) continue;
    ends[row]!.push(span);
    found.push({ item, x: at, row });
  }
  return found;
}
