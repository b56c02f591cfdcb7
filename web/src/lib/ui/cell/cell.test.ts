import { describe, expect, it, vi } from 'vitest';
import { doing, press, show, type, words } from '../../testing/showing';
import Cell from './Cell.svelte';

function cell(more: Partial<Parameters<typeof props>[0]> = {}) {
  const given = props(more);
  const root = show(Cell, given);
  return { ...given, root, input: root.querySelector('input')! };
}

function props(more: { take?: (text: string) => string | Promise<string>; nudge?: (steps: number) => void }) {
  return {
    label: 'Water, g',
    kind: 'mass',
    shown: '830',
    take: vi.fn(() => ''),
    nudge: vi.fn(),
    onkey: vi.fn(),
    ...more
  };
}

const settled = (): Promise<void> => new Promise((done) => setTimeout(done, 0));

describe('a number that is edited in place', () => {
  it('takes what was typed with Enter, once', async () => {
    const { input, take } = cell();
    type(input, '900');
    press(input, 'Enter');
    await settled();
    expect(take).toHaveBeenCalledExactlyOnceWith('900');
    expect(input.value).toBe('830'); // what stands there is what the owner shows
  });

  it('takes it when it is left, but nothing where nothing was typed', async () => {
    const { input, take } = cell();
    doing(() => input.dispatchEvent(new FocusEvent('blur')));
    type(input, '830 ');
    doing(() => input.dispatchEvent(new FocusEvent('blur')));
    await settled();
    expect(take).not.toHaveBeenCalled();
    type(input, '7');
    doing(() => input.dispatchEvent(new FocusEvent('blur')));
    expect(take).toHaveBeenCalledWith('7');
  });

  it('keeps what was typed where it is wrong, and says why beside it', async () => {
    const { input, root } = cell({ take: () => 'Give a number of g over 0.' });
    type(input, 'much');
    press(input, 'Enter');
    await settled();
    doing(() => undefined);
    expect([input.value, input.getAttribute('aria-invalid')]).toEqual(['much', 'true']);
    expect(words(root.querySelector('[role=alert]'))).toBe('Give a number of g over 0.');
    press(input, 'Escape');
    expect([input.value, root.querySelector('[role=alert]')]).toEqual(['830', null]);
  });

  it('gives back with Escape', () => {
    const { input, take } = cell();
    type(input, '1');
    press(input, 'Escape');
    expect([input.value, vi.mocked(take).mock.calls]).toEqual(['830', []]);
  });

  it.each([
    ['+', false, 1],
    ['+', true, 1], // where plus stands over the equals sign
    ['=', false, 1],
    ['-', false, -1],
    ['−', false, -1],
    ['PageUp', false, 10],
    ['PageDown', false, -10]
  ])('nudges with %s (Shift: %s) by %i', (key, shiftKey, steps) => {
    const { input, nudge } = cell();
    expect(press(input, key, { shiftKey }).defaultPrevented).toBe(true);
    expect(nudge).toHaveBeenCalledExactlyOnceWith(steps);
  });

  it('hands other keys on, but not while something is being typed', () => {
    const { input, onkey } = cell();
    press(input, 'ArrowDown');
    expect(onkey).toHaveBeenCalledOnce();
    type(input, '12');
    press(input, 'l');
    expect(onkey).toHaveBeenCalledOnce();
  });
});
