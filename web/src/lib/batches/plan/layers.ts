import type { Part } from '../types';

export interface Piece {
  y: number;
  h: number;
}

export interface Layer {
  part: Part;
  y: number;
  h: number;
  /** Where its label stands: labels keep their distance. */
  label: number;
  /** What is in (drawn full); before anything is in, one piece a lot that it would be drawn from. */
  pieces: Piece[];
}

const LEAST = 6;
const LABEL = 29;

/** Lays parts from the base up over `height`, by their targets; a thin layer stays thick enough to be seen. */
export function layersOf(parts: readonly Part[], height: number): Layer[] {
  const total = parts.reduce((sum, p) => sum + Math.max(p.target_g, p.poured_g), 0) || 1;
  const heights = parts.map((p) => Math.max(LEAST, (Math.max(p.target_g, p.poured_g) / total) * height));
  const scale = height / heights.reduce((a, b) => a + b, 0);
  const isBegun = parts.some((p) => p.poured_g > 0);
  let foot = height;
  const rows = parts.map((part, n) => {
    const h = heights[n]! * scale;
    foot -= h;
    return { part, y: foot, h, label: foot + h / 2, pieces: piecesOf(part, foot, h, isBegun) };
  });
  return apart(rows, height);
}

function piecesOf(part: Part, y: number, h: number, isBegun: boolean): Piece[] {
  const whole = Math.max(part.target_g, part.poured_g) || 1;
  const masses = isBegun ? [part.poured_g] : part.draws.map((d) => d.mass_g);
  let foot = y + h;
  return masses
    .filter((g) => g > 0)
    .map((g) => {
      const high = (g / whole) * h;
      foot -= high;
      return { y: foot, h: high };
    });
}

/** Moves labels apart from the top down, then back up where they ran out at the foot. */
function apart(rows: Layer[], height: number): Layer[] {
  const fromTop = [...rows].reverse();
  let last = -Infinity;
  for (const r of fromTop) last = r.label = Math.max(r.label, last + LABEL);
  let next = height + LABEL - 10;
  for (const r of rows) next = r.label = Math.min(r.label, next - LABEL);
  return rows;
}
