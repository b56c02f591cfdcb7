import type { Schemas } from '../../api/client';

type Asked = Schemas['TableAskedOut'];
type AnswerIn = Schemas['SeatAnswerIn'];

/** A field of a paper sheet: of which code (null: of the table), what it asks, whether a digit goes on to the next. */
export interface Cell {
  key: string;
  code: number | null;
  method: string;
  attribute: string;
  label: string;
  jumps: boolean;
  first: boolean;
}

const OF_TWO = ['paired', '2-afc', 'triangle', 'tetrad'];

function cell(code: number | null, method: string, attribute: string, label: string, jumps = true): Cell {
  return { key: `${code ?? ''}/${method}/${attribute}`, code, method, attribute, label, jumps, first: false };
}

/** Returns the fields of a seat's paper sheet in the order in which they stand on it. */
export function cellsOf(asked: Asked, codes: readonly number[]): Cell[] {
  const found: Cell[] = [];
  for (const code of codes) {
    const at = found.length;
    if (asked.main === 'liking' || asked.just_right.length) found.push(cell(code, 'liking', '', 'liking'));
    if (asked.main === 'ranking') found.push(cell(code, 'ranking', '', 'place'));
    for (const a of asked.just_right) found.push(cell(code, 'just-about-right', a, `${a}, 1 to 5`));
    for (const w of asked.words) found.push(cell(code, 'words', w, `${w}, 1 if ticked`));
    if (asked.comment) found.push(cell(code, 'comment', '', 'a word about it', false));
    if (found[at]) found[at].first = true;
  }
  if (OF_TWO.includes(asked.main) && codes.length) {
    const label =
      asked.main === 'tetrad' ? `goes with ${codes[0]}` : asked.main === 'triangle' ? 'odd one' : 'chose';
    found.push(
      cell(null, asked.main, '', `${label}, its code${asked.main === 'paired' ? ' or 0' : ''}`, false)
    );
  }
  return found;
}

/** Returns what was typed in a field as an answer; nothing typed is no answer, a dash was not tasted. */
export function readCell(c: Cell, text: string): AnswerIn[] {
  const plain = text.trim();
  if (!plain) return [];
  const same = { code: c.code, method: c.method, attribute: c.attribute };
  if (c.method === 'comment') return [{ ...same, value: null, text: plain }];
  if (/^[-–]$/.test(plain)) return [{ ...same, value: null, text: '' }];
  const value = Number(plain.replace(',', '.'));
  if (!Number.isFinite(value))
    throw new Error(`${c.label}: “${plain}” is no number. Type a digit, or - where not tasted.`);
  return [{ ...same, value, text: '' }];
}
