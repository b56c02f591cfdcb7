import type { ScheduleBench } from './schedule.svelte';
import type { Workplace } from './types';

/** Returns what is known of each place of the drawing: how warm it is, what kind of oven. */
export function factsOf(bench: ScheduleBench, place: Workplace): Record<string, string> {
  const k = bench.content.kitchen ?? place.kitchen;
  const found: Record<string, string> = {
    bench: `${k.room_c} °C${k.night_c ? `, ${k.night_c} °C by night` : ''}`,
    box: k.box_c ? `${k.box_c} °C` : '',
    fridge: `${k.fridge_c} °C`
  };
  for (const o of k.ovens ?? []) found[`oven:${o.id}`] = o.kind === o.id ? '' : (o.kind ?? '');
  return found;
}

/** Returns how warm the room is, °C. */
export function roomOf(bench: ScheduleBench, place: Workplace): number {
  return (bench.content.kitchen ?? place.kitchen).room_c ?? 22;
}

/** Returns the names of the ovens. */
export function ovensOf(bench: ScheduleBench, place: Workplace): string[] {
  return (bench.content.kitchen ?? place.kitchen).ovens?.map((o) => o.id) ?? [];
}
