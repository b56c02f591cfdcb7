import { describe, expect, it } from 'vitest';
import { numbersIn } from './noting';

describe('numbers as people type them', () => {
  it('are apart by spaces, semicolons, or a comma with a space', () => {
    expect(numbersIn('5.5 6 5')).toEqual([5.5, 6, 5]);
    expect(numbersIn('2029; 2044;2047')).toEqual([2029, 2044, 2047]);
    expect(numbersIn('432, 437')).toEqual([432, 437]);
  });
  it('may have a comma for decimals', () => {
    expect(numbersIn('5,5 6,0')).toEqual([5.5, 6]);
  });
  it('are none in an empty text, and unreadable with anything else in it', () => {
    expect(numbersIn('  ')).toEqual([]);
    expect(numbersIn('about 5')).toBeNull();
    expect(numbersIn('-3')).toBeNull();
  });
});
