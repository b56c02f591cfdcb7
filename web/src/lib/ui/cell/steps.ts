export const SMALLEST_G = 0.1;

/** Returns a step in g that suits a mass: 1, 2 or 5 times a power of ten, at most a 200th of it, at least 0.1 g. */
export function stepFor(mass_g: number): number {
  const most = mass_g / 200;
  if (most <= SMALLEST_G) return SMALLEST_G;
  const power = 10 ** Math.floor(Math.log10(most));
  const lead = most / power;
  return power * (lead >= 5 ? 5 : lead >= 2 ? 2 : 1);
}
