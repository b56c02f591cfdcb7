import type { Schemas } from '../api/client';

export type Trial = Schemas['TrialOut'];
export type Standing = Schemas['TrialStanding'];
export type Fault = Schemas['FaultTold'];
export type Cause = Schemas['CauseTold'];
export type Measure = Schemas['MeasureTold'];

/** How near to what it is for a bake came: its mark in lists and strata. */
export function verdictStatus(verdict: number | null): 'pass' | 'close' | 'held' | 'unknown' {
  if (verdict === null) return 'unknown';
  return verdict >= 7 ? 'pass' : verdict > 3 ? 'close' : 'held';
}

const STRENGTHS = ['not there', 'a little', 'clearly', 'all of it'];

export function strengthWord(strength: number): string {
  return STRENGTHS[Math.round(strength)] ?? '';
}

/** The causes to show: down to half the first one's p, at least two, at most four; the rest stays a tap away. */
export function shownCauses(causes: readonly Cause[]): readonly Cause[] {
  const likely = causes.filter((c) => c.p >= (causes[0]?.p ?? 0) / 2);
  return causes.slice(0, Math.max(2, Math.min(4, likely.length)));
}
