export type Colour = readonly [number, number, number];
const HALF = 4; // pixels to each side: one freckle of a crust is no crust

/** Returns the mean colour (sRGB, 0 to 255) of the pixels around a point of a picture. */
export function around(context: CanvasRenderingContext2D, x: number, y: number): Colour {
  const side = 2 * HALF + 1;
  const left = Math.max(0, Math.min(context.canvas.width - side, Math.round(x) - HALF));
  const top = Math.max(0, Math.min(context.canvas.height - side, Math.round(y) - HALF));
  const { data } = context.getImageData(left, top, side, side);
  const sums = [0, 0, 0];
  for (let at = 0; at < data.length; at += 4)
    for (let part = 0; part < 3; part++) sums[part] = (sums[part] ?? 0) + (data[at + part] ?? 0);
  const [red, green, blue] = sums.map((s) => s / (data.length / 4));
  return [red ?? 0, green ?? 0, blue ?? 0];
}
