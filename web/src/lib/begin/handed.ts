/** What one page hands to the next: a text that was pasted at a door, taken once by the page that it opens. */
type Kind = 'recipe' | 'list' | 'panel' | 'mix' | 'propose';

let held: { kind: Kind; text: string; more: string } | null = null;

export function hand(kind: Kind, text = '', more = ''): void {
  held = { kind, text, more };
}

/** The text that was handed over for this kind of page; null where none was. */
export function handedOver(kind: Kind): { text: string; more: string } | null {
  if (held?.kind !== kind) return null;
  const { text, more } = held;
  held = null;
  return { text, more };
}
