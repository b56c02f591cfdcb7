/** A taster's marks in the order of the strips; null where a sample was not tasted. */
export interface Line {
  seat: number;
  name: string;
  dropped: boolean;
  marks: readonly (number | null)[];
}

const APART = 5;

/** Returns by how much each line is moved aside (px) on each strip, so that tasters of one mark lie side by side. */
export function nudged(lines: readonly Line[]): Map<number, number[]> {
  const found = new Map(lines.map((l) => [l.seat, l.marks.map(() => 0)]));
  const strips = lines[0]?.marks.length ?? 0;
  for (let n = 0; n < strips; n++) {
    const groups = new Map<number, number[]>();
    for (const line of lines) {
      const mark = line.marks[n];
      if (mark === null || mark === undefined) continue;
      groups.set(mark, [...(groups.get(mark) ?? []), line.seat]);
    }
    for (const seats of groups.values())
      seats.forEach((seat, i) => {
        found.get(seat)![n] = (i - (seats.length - 1) / 2) * APART;
      });
  }
  return found;
}
