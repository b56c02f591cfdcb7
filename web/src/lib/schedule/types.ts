import type { Schemas } from '../api/client';

/** A schedule as it is kept: its file. */
export type Content = Schemas['PlanFile'];
export type Product = Schemas['ProductIn'];
export type Answer = Schemas['ScheduleAnswer'];
export type Step = Schemas['StepOut'];
export type Workplace = Schemas['WorkplaceOut'];

/** A step of a product, by name. */
export interface StepKey {
  product: string;
  step: string;
}

/** Returns whether two steps are the same one. */
export function sameStep(a: StepKey | null, b: StepKey | null): boolean {
  return a?.product === b?.product && a?.step === b?.step;
}

/** Returns the steps of an answer in which somebody is wanted, in the order of time. */
export function visited(steps: readonly Step[]): Step[] {
  return steps.filter((s) => s.hands.length).toSorted((a, b) => a.at.localeCompare(b.at));
}
