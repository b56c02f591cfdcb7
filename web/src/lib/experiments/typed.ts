/** The number that stands in a field, or another where there is none. */
export function numberIn(input: HTMLInputElement, otherwise: number): number {
  const value = Number(input.value);
  return Number.isFinite(value) && input.value !== '' ? value : otherwise;
}
