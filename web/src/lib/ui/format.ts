export const GRAMS_PER_OUNCE = 28.349523125;
const THIN = '\u202f';

/** Returns `value` with `decimals` places, thousands set apart by a thin space; a dash where it is unknown. */
export function figure(value: number | null | undefined, decimals = 1): string {
  if (value === null || value === undefined || !Number.isFinite(value)) return '–';
  const [whole = '', rest] = Math.abs(value).toFixed(decimals).split('.');
  const grouped = whole.replace(/\B(?=(\d{3})+(?!\d))/g, THIN);
  const sign = value < 0 && Number(value.toFixed(decimals)) !== 0 ? '−' : '';
  return sign + grouped + (rest ? `.${rest}` : '');
}

/** Returns a difference with its sign. */
export function signed(value: number, decimals = 1): string {
  const text = figure(value, decimals);
  return value > 0 && Number(value.toFixed(decimals)) > 0 ? `+${text}` : text;
}

/** Returns a mass in the kitchen's unit without the unit: whole grams where that is exact enough. */
export function massFigure(mass_g: number, unit: string): string {
  if (unit === 'oz') return figure(mass_g / GRAMS_PER_OUNCE, 2);
  const tenth = Math.round(mass_g * 10) / 10;
  return figure(mass_g, Number.isInteger(tenth) ? 0 : 1);
}

/** Returns a mass with its unit. */
export function mass(mass_g: number, unit: string): string {
  return `${massFigure(mass_g, unit)}\u00a0${unit}`;
}

/** Reads what a person typed as a number over 0, with a point or a comma; null where it is none. */
export function readNumber(text: string): number | null {
  const clean = text.replace(/[\s\u202f\u00a0]/g, '').replace(',', '.');
  if (!/^\d{1,9}(\.\d{0,6})?$/.test(clean)) return null;
  const value = Number(clean);
  return value > 0 ? value : null;
}

/** The first words of a name, up to a comma or bracket. */
export function shortName(name: string): string {
  return name.split(' (')[0]!.split(',')[0]!;
}

/** Reads a mass typed in the kitchen's unit, as grams. */
export function readMass(text: string, unit: string): number | null {
  const value = readNumber(text.replace(/\s*(g|oz)\s*$/i, ''));
  return value === null ? null : value * (unit === 'oz' ? GRAMS_PER_OUNCE : 1);
}

/** Returns money per kg with the kitchen's currency. */
export function money(value: number | null | undefined, currency: string): string {
  const text = figure(value, 2);
  return currency && text !== '–' ? `${text}\u00a0${currency}` : text;
}

/** Returns a temperature in the kitchen's unit, with the unit. */
export function temperature(temp_c: number, unit: string): string {
  return unit === 'f' ? `${figure((temp_c * 9) / 5 + 32, 0)} °F` : `${figure(temp_c, 0)} °C`;
}

/** Returns a day such as "4 Nov 2026" from ISO 8601 text. */
export function day(iso: string): string {
  return new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
}

/** Returns a slug as words. */
export function spaced(slug: string): string {
  return slug.replaceAll('-', ' ');
}

/** Returns a count with its noun, in the plural where it is not one. */
export function counted(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}
