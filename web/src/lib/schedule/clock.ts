/** Times of the kitchen's own zone, from instants and back; nothing here knows what time it is. */

const MINUTE_MS = 60_000;
const DAY_MS = 24 * 60 * MINUTE_MS;
const formats = new Map<string, Intl.DateTimeFormat>();

function formatOf(zone: string, options: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = `${zone} ${JSON.stringify(options)}`;
  let found = formats.get(key);
  if (!found) {
    found = new Intl.DateTimeFormat('en-GB', { ...options, timeZone: zone, hourCycle: 'h23' });
    formats.set(key, found);
  }
  return found;
}

/** Returns the time of day of an instant, such as 18:05. */
export function timeOf(at: string | number, zone: string): string {
  return formatOf(zone, { hour: '2-digit', minute: '2-digit' }).format(new Date(at));
}

/** Returns the day of an instant, such as Sat 14. */
export function dayOf(at: string | number, zone: string): string {
  return formatOf(zone, { weekday: 'short', day: 'numeric' }).format(new Date(at));
}

/** Returns the day and time of an instant, such as Sat 14, 18:05. */
export function dayAndTime(at: string | number, zone: string): string {
  return `${dayOf(at, zone)}, ${timeOf(at, zone)}`;
}

/** Returns an instant as the kitchen's clock shows it, as a field for date and time wants it: 2026-03-15T09:00. */
export function localOf(at: string | number, zone: string): string {
  const parts = formatOf(zone, {
    year: 'numeric',
    month: '2-digit',
    day: '2-digit',
    hour: '2-digit',
    minute: '2-digit'
  }).formatToParts(new Date(at));
  const part = (type: string) => parts.find((p) => p.type === type)!.value;
  return `${part('year')}-${part('month')}-${part('day')}T${part('hour')}:${part('minute')}`;
}

/** Returns the instant (ms) of a local time of the zone; a time that stands twice is the first, a skipped one moves on. */
export function instantOf(text: string, zone: string): number {
  if (/([zZ]|[+-]\d{2}:?\d{2})$/.test(text)) return Date.parse(text);
  const wanted = Date.parse(`${text}Z`);
  const offset = (ms: number) => Date.parse(`${localOf(ms, zone)}Z`) - ms;
  const [before, after] = [wanted - offset(wanted - DAY_MS), wanted - offset(wanted + DAY_MS)];
  const meant = [before, after].filter((ms) => localOf(ms, zone) === text.slice(0, 16));
  return meant.length ? Math.min(...meant) : before;
}

/** Returns minutes as people say them: 45 min, 1 h 05 min. */
export function lasting(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  return `${Math.floor(whole / 60)} h${whole % 60 ? ` ${String(whole % 60).padStart(2, '0')} min` : ''}`;
}

/** Returns the minutes between two instants. */
export function minutesBetween(a: string | number, b: string | number): number {
  return (new Date(b).getTime() - new Date(a).getTime()) / MINUTE_MS;
}

/** Returns the instant so many minutes later, in ISO 8601. */
export function later(at: string | number, minutes: number): string {
  return new Date(new Date(at).getTime() + minutes * MINUTE_MS).toISOString().replace('.000Z', 'Z');
}
