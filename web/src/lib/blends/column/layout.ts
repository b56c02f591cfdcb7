/** Where things stand in a column drawn upright: y runs down from the top, layers are listed base to top. */

export interface Layer {
  slug: string;
  /** Top edge and height. */
  y: number;
  h: number;
}

/** Across the column: its own width, where the ghost stands and how wide, where the leader lines end. */
export interface ColumnPlan {
  width: number;
  ghost_x: number;
  ghost_width: number;
  end: number;
}

/** Returns the plan for the room there is, in px. */
export function planFor(room: number): ColumnPlan {
  if (room < 400) return { width: 52, ghost_x: 60, ghost_width: 14, end: 92 };
  if (room < 520) return { width: 80, ghost_x: 90, ghost_width: 20, end: 138 };
  return { width: 104, ghost_x: 118, ghost_width: 26, end: 190 };
}

export interface Piece {
  slug: string;
  share: number;
}

/** Returns a layer for each piece (base to top), filling `height` in proportion to its share. */
export function layersOf(pieces: readonly Piece[], height: number): Layer[] {
  const whole = pieces.reduce((sum, p) => sum + p.share, 0);
  if (whole <= 0) return [];
  let floor = height;
  return pieces.map(({ slug, share }) => {
    const h = (share / whole) * height;
    floor -= h;
    return { slug, y: floor, h };
  });
}

/**
 * Returns centres near `wanted` (falling: base first) that keep `gap` between neighbours and stay inside
 * 0…`height`: thin layers get a row of their own that a leader line joins to them.
 */
export function spread(wanted: readonly number[], gap: number, height: number): number[] {
  const half = gap / 2;
  const placed = [...wanted];
  let limit = height - half;
  for (let i = 0; i < placed.length; i++) {
    placed[i] = Math.min(placed[i]!, limit);
    limit = placed[i]! - gap;
  }
  limit = half;
  for (let i = placed.length - 1; i >= 0; i--) {
    placed[i] = Math.max(placed[i]!, limit);
    limit = placed[i]! + gap;
  }
  return placed;
}
