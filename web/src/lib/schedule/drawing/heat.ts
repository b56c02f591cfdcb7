import type { Answer } from '../types';

/** How warm an oven is at an instant (ms), °C; between two, straight. */
export interface Warmth {
  at: number;
  temp_c: number;
}

const COOLS_MS = 90 * 60_000;

/** Returns how warm an oven is over a plan: cold, heated to each bake, held, and cooling at the end. */
export function warmthOf(answer: Answer, oven: string, room_c: number): Warmth[] {
  const heats = answer.heating.filter((h) => h.oven === oven);
  const bakes = answer.steps
    .filter((s) => s.oven === oven && s.phases.length)
    .toSorted((a, b) => a.at.localeCompare(b.at));
  const found: Warmth[] = [];
  for (const bake of bakes) {
    const heat = heats.find((h) => h.hot_at === bake.at);
    if (heat) {
      const from = Date.parse(heat.at);
      const last = found.at(-1);
      const resting = last ? Math.max(room_c, last.temp_c * Math.exp(-(from - last.at) / COOLS_MS)) : room_c;
      found.push({ at: from, temp_c: resting });
    }
    for (const p of bake.phases) {
      found.push({ at: Date.parse(p.at), temp_c: p.oven_c }, { at: Date.parse(p.end), temp_c: p.oven_c });
    }
  }
  const last = found.at(-1);
  if (last) found.push({ at: last.at + COOLS_MS, temp_c: room_c + (last.temp_c - room_c) / 4 });
  return found.toSorted((a, b) => a.at - b.at);
}
