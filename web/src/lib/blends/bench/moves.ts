import type { Part } from '../../api/client';
import { SMALLEST_G } from '../../ui/cell/steps';

/** A part whose mass was weighed or typed, as against one that is only known within a range. */
export function weighed(ingredient: string, mass_g: number, more: Partial<Part> = {}): Part {
  return { ingredient, mass_g, locked: false, lot_id: null, low_ratio: 1, high_ratio: 1, ...more };
}

export function total(parts: readonly Part[]): number {
  return parts.reduce((sum, p) => sum + p.mass_g, 0);
}

/** Drops what binary arithmetic adds: a mass is kept to the millionth of a gram. */
export function tidy(mass_g: number): number {
  return Math.round(mass_g * 1e6) / 1e6;
}

/**
 * The two parts between which a boundary moves mass: the nearest that are not locked on either side of it.
 * `order` lists the slugs base to top; boundary `at` lies over order[at]. Null where one side is all locked.
 */
export function sidesOf(
  parts: readonly Part[],
  order: readonly string[],
  at: number
): { below: Part; above: Part } | null {
  const bySlug = new Map(parts.map((p) => [p.ingredient, p]));
  const free = (slug: string): Part | undefined => {
    const part = bySlug.get(slug);
    return part && !part.locked ? part : undefined;
  };
  const below = order
    .slice(0, at + 1)
    .map(free)
    .findLast(Boolean);
  const above = order
    .slice(at + 1)
    .map(free)
    .find(Boolean);
  return below && above ? { below, above } : null;
}

/**
 * Moves mass across a boundary: `by_g` more below, as much less above (negative the other way). The total stays;
 * neither side falls under 0.1 g. Returns the same parts where nothing can move.
 */
export function moveAcross(
  parts: readonly Part[],
  order: readonly string[],
  at: number,
  by_g: number
): readonly Part[] {
  const sides = sidesOf(parts, order, at);
  if (!sides) return parts;
  const { below, above } = sides;
  const least = Math.min(0, SMALLEST_G - below.mass_g);
  const most = Math.max(0, above.mass_g - SMALLEST_G);
  const moved = tidy(Math.min(most, Math.max(least, by_g)));
  if (moved === 0) return parts;
  const fuller = withMass(parts, below.ingredient, below.mass_g + moved);
  return withMass(fuller, above.ingredient, above.mass_g - moved);
}

/** Returns the parts with one mass set, in g: a mass that somebody sets is known. */
export function withMass(parts: readonly Part[], ingredient: string, mass_g: number): readonly Part[] {
  const set = { mass_g: tidy(mass_g), low_ratio: 1, high_ratio: 1 };
  return parts.map((p) => (p.ingredient === ingredient ? { ...p, ...set } : p));
}

/** Returns the parts with others added, in g; what is in both is one part, and known as well as both were. */
export function withParts(parts: readonly Part[], more: readonly Part[]): readonly Part[] {
  const found = new Map(parts.map((p) => [p.ingredient, p]));
  for (const m of more) {
    const p = found.get(m.ingredient);
    const mass_g = tidy((p?.mass_g ?? 0) + m.mass_g);
    const ratio = (of: (q: Part) => number): number =>
      ((p ? of(p) * p.mass_g : 0) + of(m) * m.mass_g) / mass_g;
    const within = { low_ratio: ratio((q) => q.low_ratio), high_ratio: ratio((q) => q.high_ratio) };
    found.set(m.ingredient, { ...(p ?? m), mass_g, ...within });
  }
  return [...found.values()];
}

/** Whether two lists hold the same parts with the same masses and locks, in any order. */
export function sameParts(a: readonly Part[], b: readonly Part[]): boolean {
  if (a.length !== b.length) return false;
  const other = new Map(b.map((p) => [p.ingredient, p]));
  return a.every((p) => {
    const q = other.get(p.ingredient);
    return (
      q !== undefined &&
      q.mass_g === p.mass_g &&
      q.locked === p.locked &&
      q.low_ratio === p.low_ratio &&
      q.high_ratio === p.high_ratio &&
      (q.lot_id ?? null) === (p.lot_id ?? null)
    );
  });
}
