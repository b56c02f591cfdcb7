/** Where the corners of the triangle lie on the drawing: the first top left, the second at the bottom, the third top right. */
export interface Spot {
  x: number;
  y: number;
}

export const WIDTH = 700;
export const HEIGHT = 606;
export const TRIANGLE: readonly Spot[] = [
  { x: 60, y: 66 },
  { x: 350, y: 568 },
  { x: 640, y: 66 }
];

type Shares = readonly number[];

/** Weights of the three vertices at a point; `vertices` in shares, flat in their own plane. */
export function weightsOf(x: Shares, vertices: readonly Shares[]): number[] {
  const [a, b, c] = [vertices[0]!, vertices[1]!, vertices[2]!];
  const u = b.map((v, i) => v - a[i]!);
  const v = c.map((w, i) => w - a[i]!);
  const p = x.slice(0, a.length).map((w, i) => w - a[i]!);
  const dot = (m: Shares, n: Shares): number => m.reduce((sum, w, i) => sum + w * n[i]!, 0);
  const [uu, uv, vv, pu, pv] = [dot(u, u), dot(u, v), dot(v, v), dot(p, u), dot(p, v)];
  const det = uu * vv - uv * uv || 1e-12;
  const s = (pu * vv - pv * uv) / det;
  const t = (pv * uu - pu * uv) / det;
  return [1 - s - t, s, t];
}

/** The point of shares at weights of the vertices. */
export function sharesAt(weights: Shares, vertices: readonly Shares[]): number[] {
  return vertices[0]!.map((_, i) => weights.reduce((sum, w, k) => sum + w * vertices[k]![i]!, 0));
}

/** Where a point of shares lies on the drawing. */
export function spotOf(x: Shares, vertices: readonly Shares[]): Spot {
  return spotAt(weightsOf(x, vertices));
}

export function spotAt(weights: Shares): Spot {
  return {
    x: weights.reduce((sum, w, k) => sum + w * TRIANGLE[k]!.x, 0),
    y: weights.reduce((sum, w, k) => sum + w * TRIANGLE[k]!.y, 0)
  };
}

/** The weights at a place of the drawing. */
export function weightsAt(spot: Spot): number[] {
  const [a, b, c] = [TRIANGLE[0]!, TRIANGLE[1]!, TRIANGLE[2]!];
  const det = (b.y - c.y) * (a.x - c.x) + (c.x - b.x) * (a.y - c.y);
  const first = ((b.y - c.y) * (spot.x - c.x) + (c.x - b.x) * (spot.y - c.y)) / det;
  const second = ((c.y - a.y) * (spot.x - c.x) + (a.x - c.x) * (spot.y - c.y)) / det;
  return [first, second, 1 - first - second];
}

/** Weights brought back into the triangle: none below 0, together 1. */
export function inside(weights: Shares): number[] {
  const cut = weights.map((w) => Math.max(0, w));
  const sum = cut.reduce((a, b) => a + b, 0) || 1;
  return cut.map((w) => w / sum);
}

/** A place of the lattice (columns toward the second corner, rows toward the third) on the drawing. */
export function spotOfLattice(column: number, row: number, steps: number): Spot {
  const a = column / steps;
  const b = row / steps;
  return spotAt([1 - a - b, a, b]);
}

export function pathOf(spots: readonly Spot[]): string {
  return spots.length ? `M${spots.map((s) => `${s.x.toFixed(1)} ${s.y.toFixed(1)}`).join('L')}Z` : '';
}

/** One step of a hundredth along an arrow, as weights move: left and right trade first and third, up and down the second. */
export function stepped(x: Shares, key: string, size: number): number[] {
  const moved = [...x];
  const [from, to] = (
    { ArrowRight: [0, 2], ArrowLeft: [2, 0], ArrowDown: [0, 1], ArrowUp: [1, 0] } as Record<string, number[]>
  )[key] ?? [0, 0];
  const by = Math.min(size, moved[from!] ?? 0);
  moved[from!] = (moved[from!] ?? 0) - by;
  moved[to!] = (moved[to!] ?? 0) + by;
  return moved;
}
