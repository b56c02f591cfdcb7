import type { AskedIn, SampleIn, SeatIn, Tasting } from '../types';

/** A table while it is being set: what is sent, whole, at every change. */
export interface Draft {
  name: string;
  note: string;
  archived: boolean;
  samples: SampleIn[];
  asked: AskedIn;
  seats: SeatIn[];
}

/** Returns a table as it is sent back. */
export function draftOf(t: Tasting): Draft {
  const leaving = (number: number): number[] =>
    t.mats
      .find((m) => m.number === number)!
      .blocks.filter((b) => b.done === 'left out')
      .map((b) => b.sample);
  return {
    name: t.name,
    note: t.note,
    archived: t.archived,
    samples: t.samples.map((s) => sampleOf(s)),
    asked: { ...t.asked, just_right: [...t.asked.just_right], words: [...t.asked.words] },
    seats: t.mats.map((m) => ({
      number: m.number,
      name: m.name,
      allergies: [...m.allergies],
      by_choice: [...m.by_choice],
      coeliac: m.coeliac,
      left_out: [...new Set(leaving(m.number))]
    }))
  };
}

function sampleOf(s: Tasting['samples'][number]): SampleIn {
  const { number, about, name, because, lot } = s;
  const bag = s.kind === 'bag';
  return {
    number,
    kind: bag ? 'bag' : 'trial',
    about,
    name,
    because,
    lot,
    marks: bag ? [...s.marks] : [...s.more],
    complete: bag ? s.complete : false,
    gluten: bag ? (s.gluten as SampleIn['gluten']) : 'unknown'
  };
}

/** Returns samples or seats with their numbers in order again. */
export function numbered<T extends { number: number }>(items: readonly T[]): T[] {
  return items.map((item, n) => ({ ...item, number: n + 1 }));
}

/** Returns a draft without a sample: what was left out of it is forgotten, and the others keep theirs. */
export function withoutSample(draft: Draft, number: number): Draft {
  const moved = (n: number): number => (n > number ? n - 1 : n);
  const seats = draft.seats.map((s) => ({
    ...s,
    left_out: (s.left_out ?? []).filter((n) => n !== number).map(moved)
  }));
  const given = draft.asked.new ?? null;
  const asked = { ...draft.asked, new: given === number || given === null ? null : moved(given) };
  return { ...draft, asked, seats, samples: numbered(draft.samples.filter((s) => s.number !== number)) };
}

/** Terms typed with commas between them. */
export function termsIn(text: string, most: number): string[] {
  const found = text
    .split(/[,;\n]/)
    .map((t) => t.trim().slice(0, 40))
    .filter(Boolean);
  return [...new Set(found)].slice(0, most);
}
