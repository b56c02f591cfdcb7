import { describe, expect, it } from 'vitest';
import { lineEnd, placesFor, rangeWords, readRange } from './reach';

describe('a number with its reach', () => {
  it.each([
    ['8.2', { typical: 8.2 }],
    ['8,2', { typical: 8.2 }],
    ['−3', { typical: -3 }],
    ['8.2 ± 0.3', { typical: 8.2, low: 7.9, high: 8.5 }],
    ['8.2+-0.3', { typical: 8.2, low: 7.9, high: 8.5 }],
    ['7.9–8.5', { typical: 8.2, low: 7.9, high: 8.5 }],
    ['0.1 ± 0.3', { typical: 0.1, low: 0, high: 0.4 }]
  ])('reads %s', (text, expected) => {
    const found = readRange(text);
    expect(found?.typical).toBeCloseTo(expected.typical);
    if ('low' in expected) {
      expect(found?.low).toBeCloseTo(expected.low);
      expect(found?.high).toBeCloseTo(expected.high);
    } else expect(found?.low).toBeUndefined();
  });

  it.each(['', 'much', '8..2', '9–7', '± 3'])('refuses “%s”', (text) => expect(readRange(text)).toBeNull());

  it('shows one more figure where the range would else be hidden', () => {
    const range = { low: 1.46, typical: 1.5, high: 1.53 };
    expect(placesFor({ decimals: 1, range })).toBe(2);
    expect(placesFor({ decimals: 1, range: { ...range, high: 2.4 } })).toBe(1);
    expect(rangeWords(range, 2)).toBe('1.50 (1.46–1.53)');
    expect(rangeWords({ low: 2, typical: 2, high: 2 }, 0)).toBe('2');
  });

  it('draws every layer on a line that holds them all', () => {
    const layer = {
      layer: 'table',
      low: 1,
      typical: 2,
      high: 4,
      quality: '',
      source: '',
      noted_on: '',
      aside: false
    } as const;
    expect(lineEnd({ layers: [layer], range: { low: 1, typical: 2, high: 3 } })).toBeCloseTo(4.32);
    expect(lineEnd({ layers: [], range: null })).toBe(1);
  });
});
