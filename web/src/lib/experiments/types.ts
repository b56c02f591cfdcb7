import type { Schemas } from '../api/client';

export type Experiment = Schemas['ExperimentOut'];
export type Asked = Schemas['ExperimentAskedIn'];
export type Run = Schemas['RunSeen'];
export type Point = Schemas['PointSeen'];
export type Picture = Schemas['Drawn'];

/** Shares as numbers in the order of the parts, from an object by name. */
export function inOrder(x: Readonly<Record<string, number>>, names: readonly string[]): number[] {
  return names.map((n) => x[n] ?? 0);
}

/** What is asked, as it is sent back. */
export function askedOf(e: Experiment): Asked {
  const { parts, walls, ...rest } = e.asked;
  return {
    ...rest,
    walls: walls as Asked['walls'],
    parts: parts.map((p) => ({ ...p, ratio: { ...p.ratio } }))
  };
}
