import { describe, expect, it } from 'vitest';
import { doing, show, type } from '../../testing/showing';
import Cell from './Cell.svelte';

describe('a number that changes while it has the keys', () => {
  it('stays selected, so that what is typed next takes its place', () => {
    const props = $state({
      label: 'Potato starch, % of flour',
      kind: 'share',
      shown: '21.9',
      take: () => ''
    });
    const input = show(Cell, props).querySelector('input')!;
    doing(() => input.focus());
    doing(() => (props.shown = '22.0'));
    expect([input.value, input.selectionStart, input.selectionEnd]).toEqual(['22.0', 0, 4]);
  });

  it('leaves alone what is being typed', () => {
    const props = $state({
      label: 'Potato starch, % of flour',
      kind: 'share',
      shown: '21.9',
      take: () => ''
    });
    const input = show(Cell, props).querySelector('input')!;
    doing(() => input.focus());
    type(input, '25');
    input.setSelectionRange(2, 2);
    doing(() => (props.shown = '22.0'));
    expect([input.value, input.selectionStart, input.selectionEnd]).toEqual(['25', 2, 2]);
  });
});
