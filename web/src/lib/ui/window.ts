/** Which rows of a long list have to be there: those in sight and some on either side. */
export interface Span {
  first: number;
  last: number;
  above_px: number;
  below_px: number;
}

const SPARE = 12;

/** Returns the rows to draw (`last` not included) and the room that stands for those that are not drawn. */
export function span(scroll_px: number, height_px: number, row_px: number, total: number): Span {
  const inSight = Math.ceil(height_px / row_px);
  const first = Math.min(Math.max(0, Math.floor(scroll_px / row_px) - SPARE), Math.max(0, total - inSight));
  const last = Math.min(total, first + inSight + 2 * SPARE);
  return { first, last, above_px: first * row_px, below_px: (total - last) * row_px };
}
