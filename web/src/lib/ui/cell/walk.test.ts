import { beforeEach, describe, expect, it } from 'vitest';
import { carry, walk } from './walk';

let list: HTMLUListElement;
const at = (row: number, kind = 'mass'): HTMLInputElement =>
  list.children[row]!.querySelector<HTMLInputElement>(`[data-cell=${kind}]`)!;

function press(on: HTMLElement, key: string, by: (event: KeyboardEvent) => boolean, more = {}): boolean {
  const event = new KeyboardEvent('keydown', { key, cancelable: true, ...more });
  Object.defineProperty(event, 'currentTarget', { value: on });
  const taken = by(event);
  expect(event.defaultPrevented).toBe(taken);
  return taken;
}

beforeEach(() => {
  document.body.innerHTML = `<ul>${'<li><input data-cell="mass" /><input data-cell="share" /></li>'.repeat(3)}</ul>`;
  list = document.querySelector('ul')!;
});

describe('the arrow keys in a list of rows', () => {
  it.each([
    ['ArrowDown', 1, 'mass', 2, 'mass'],
    ['ArrowUp', 1, 'share', 0, 'share'],
    ['ArrowRight', 1, 'mass', 1, 'share'],
    ['ArrowLeft', 1, 'share', 1, 'mass']
  ])('%s goes from row %i (%s) to row %i (%s)', (key, row, kind, to, other) => {
    at(row, kind).focus();
    expect(press(at(row, kind), key, walk)).toBe(true);
    expect(document.activeElement).toBe(at(to, other));
  });

  it('stay where they are at the ends, and leave other keys alone', () => {
    at(0).focus();
    press(at(0), 'ArrowUp', walk);
    expect(document.activeElement).toBe(at(0));
    expect(press(at(0), 'a', walk)).toBe(false);
  });
});

describe('a row that is carried', () => {
  it('moves with Alt and an arrow, and the keys go along', async () => {
    const moved: number[] = [];
    at(2, 'share').focus();
    const by = (event: KeyboardEvent): boolean => carry(event, (n) => moved.push(n));
    expect(press(at(2, 'share'), 'ArrowUp', by, { altKey: true })).toBe(true);
    await new Promise((done) => setTimeout(done, 0));
    expect([moved, document.activeElement]).toEqual([[-1], at(1, 'share')]);
  });

  it('stays without Alt, and with Alt on another key', () => {
    const never = (event: KeyboardEvent): boolean =>
      carry(event, () => expect.unreachable('nothing is carried'));
    expect(press(at(1), 'ArrowUp', never)).toBe(false);
    expect(press(at(1), 'x', never, { altKey: true })).toBe(false);
  });
});
