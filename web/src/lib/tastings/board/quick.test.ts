import { describe, expect, it } from 'vitest';
import { cellsOf, readCell } from './quick';

const asked = {
  main: 'liking' as const,
  attribute: '',
  just_right: ['moist'],
  words: ['crumbly'],
  comment: true,
  worth: 1,
  margin: null,
  new: null,
  looks: 1,
  warm_up: false
};

describe('a paper sheet typed in', () => {
  it('asks code by code, in the order of the sheet', () => {
    const cells = cellsOf(asked, [418, 572]);
    expect(cells.map((c) => c.key)).toEqual([
      '418/liking/',
      '418/just-about-right/moist',
      '418/words/crumbly',
      '418/comment/',
      '572/liking/',
      '572/just-about-right/moist',
      '572/words/crumbly',
      '572/comment/'
    ]);
  });

  it('asks once for a choice, by its code', () => {
    const cells = cellsOf(
      { ...asked, main: 'tetrad', just_right: [], words: [], comment: false },
      [418, 572, 936, 163]
    );
    expect(cells.map((c) => c.label)).toEqual(['goes with 418, its code']);
    expect(readCell(cells[0]!, '936')).toEqual([
      { code: null, method: 'tetrad', attribute: '', value: 936, text: '' }
    ]);
  });

  it('a dash was not tasted, nothing is no answer, a slip is said', () => {
    const [first] = cellsOf(asked, [418]);
    expect(readCell(first!, '-')[0]!.value).toBeNull();
    expect(readCell(first!, ' ')).toEqual([]);
    expect(() => readCell(first!, 'x')).toThrow('no number');
  });
});
