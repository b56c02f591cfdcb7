import type { Schemas } from '../api/client';

export type Tasting = Schemas['TastingOut'];
export type Mat = Schemas['Mat'];
export type Slice = Schemas['Slice'];
export type SampleSeen = Schemas['SampleSeen'];
export type Result = Schemas['TastingResult'];
export type SampleIn = Schemas['SampleIn'];
export type SeatIn = Schemas['SeatIn'];
export type AskedIn = Schemas['AskedIn'];

/** The methods with what each is good for. */
export const METHODS: readonly { method: AskedIn['main']; label: string; for: string; two: boolean }[] = [
  { method: 'liking', label: 'liking', for: '1 dislike extremely to 9 like extremely', two: false },
  { method: 'ranking', label: 'ranking', for: 'best to last, ties allowed: for children too', two: false },
  { method: 'paired', label: 'paired preference', for: 'which of two is liked better', two: true },
  { method: '2-afc', label: 'which is more …', for: 'one attribute that you can name', two: true },
  { method: 'tetrad', label: 'tetrad', for: 'two pairs: is a swap noticed at all', two: true },
  { method: 'triangle', label: 'triangle', for: 'odd one out: takes the most people', two: true },
  { method: 'words', label: 'words', for: 'ticks: what tells them apart', two: false }
];

export function methodLabel(method: string): string {
  return METHODS.find((m) => m.method === method)?.label ?? method;
}

/** An allergen or watched thing as words. */
export function spaced(mark: string): string {
  return mark.replaceAll('-', ' ');
}

const STAGES: Readonly<Record<Tasting['stage'], string>> = {
  setting: 'being set',
  open: 'open',
  closed: 'closed, not unblinded',
  unblinded: 'unblinded'
};

export function stageWord(stage: string): string {
  return STAGES[stage as Tasting['stage']] ?? stage;
}

/** Where each mat lies round the board: rows and columns of a grid three wide, clockwise from the top left. */
export function placesRound(seats: number): { row: number; column: number }[] {
  const rows = Math.max(3, Math.ceil((seats - 6) / 2) + 2);
  const sides = seats > 6 ? rows - 2 : 0;
  const top = [1, 2, 3].map((column) => ({ row: 1, column }));
  const right = Array.from({ length: sides }, (_, i) => ({ row: 2 + i, column: 3 }));
  const bottom = [3, 2, 1].map((column) => ({ row: rows, column }));
  const left = Array.from({ length: sides }, (_, i) => ({ row: rows - 1 - i, column: 1 }));
  return [...top, ...right, ...bottom, ...left].slice(0, seats);
}
