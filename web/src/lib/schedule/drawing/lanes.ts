import type { Answer, Step } from '../types';

/** A row of the drawing: a place, with as many threads side by side as are there at once. */
export interface Lane {
  key: string;
  label: string;
  facts: string;
  top: number;
  height: number;
  slots: number;
}

/** A step as it is drawn: in which lane and slot, from when to when (ms); `until` is when the dough leaves. */
export interface Piece {
  step: Step;
  lane: string;
  slot: number;
  from: number;
  to: number;
  until: number;
}

export interface Layout {
  lanes: Lane[];
  pieces: Piece[];
  height: number;
}

const SLOT = 25;
const PAD = 10;
const OVEN_SLOT = 30;
const LABELS: Record<string, string> = {
  bench: 'Bench',
  box: 'Warm box',
  fridge: 'Fridge',
  freezer: 'Freezer',
  hob: 'Hob',
  machine: 'Machine',
  rack: 'Rack'
};
const ORDER = ['bench', 'box', 'fridge', 'freezer', 'hob', 'machine', 'oven', 'rack'];

/** Returns in which place a step is drawn: cooling on the rack, a bake in its oven. */
export function laneOf(step: Step, steps: readonly Step[]): string {
  if (step.kind === 'cool') return 'rack';
  if (step.oven && step.place !== 'machine') return `oven:${step.oven}`;
  if (step.place === 'oven') {
    const bake = steps.find((s) => s.product === step.product && step.after.includes(s.step) && s.oven);
    return bake?.oven ? `oven:${bake.oven}` : 'rack';
  }
  return step.place;
}

/** Returns when what a step made is taken on: the first beginning of what follows it, or its own end. */
function leaves(step: Step, steps: readonly Step[]): number {
  const after = steps.filter((s) => s.product === step.product && s.after.includes(step.step));
  const next = Math.min(...after.map((s) => Date.parse(s.at)));
  const end = Date.parse(step.end);
  return Number.isFinite(next) ? Math.max(end, next) : end;
}

/** Returns rows and pieces: each place a row, threads that are there at once beside one another. */
export function layoutOf(answer: Answer, facts: Record<string, string>): Layout {
  const pieces = answer.steps.map((step) => ({
    step,
    lane: laneOf(step, answer.steps),
    slot: 0,
    from: Date.parse(step.at),
    to: Date.parse(step.end),
    until: leaves(step, answer.steps)
  }));
  const keys = [...new Set(['bench', ...pieces.map((p) => p.lane)])];
  keys.sort((a, b) => rank(a) - rank(b) || a.localeCompare(b));
  let top = 0;
  const lanes = keys.map((key) => {
    const own = pieces.filter((p) => p.lane === key).toSorted((a, b) => a.from - b.from);
    const slots = Math.max(1, seat(own));
    const height = PAD + slots * (key.startsWith('oven:') ? OVEN_SLOT : SLOT);
    const lane = { key, label: labelOf(key), facts: facts[key] ?? '', top, height, slots };
    top += height;
    return lane;
  });
  return { lanes, pieces, height: top };
}

function rank(key: string): number {
  return ORDER.indexOf(key.split(':')[0]!);
}

function labelOf(key: string): string {
  const oven = key.startsWith('oven:') ? key.slice(5) : null;
  if (oven) return oven[0]!.toUpperCase() + oven.slice(1);
  return LABELS[key] ?? key;
}

/** Gives each piece of a lane the first slot that is free, a thread its own where it can; returns how many there are. */
function seat(own: Piece[]): number {
  const free: { until: number; product: string }[] = [];
  for (const piece of own) {
    const its = free.findIndex((f) => f.until <= piece.from && f.product === piece.step.product);
    const any = free.findIndex((f) => f.until <= piece.from);
    piece.slot = its >= 0 ? its : any >= 0 ? any : free.length;
    free[piece.slot] = { until: piece.until, product: piece.step.product };
  }
  return free.length;
}

/** Returns the middle of a piece, from the top of the drawing. */
export function middleOf(piece: Piece, lanes: readonly Lane[]): number {
  const lane = lanes.find((l) => l.key === piece.lane)!;
  const each = (lane.height - PAD) / lane.slots;
  return lane.top + PAD / 2 + each * (piece.slot + 0.5);
}

/** Half the thickness of a dough that is so ripe: it swells as it ripens. */
export function swell(ripeness: number): number {
  return 2 + 6.5 * Math.min(1.35, Math.max(0, ripeness));
}
