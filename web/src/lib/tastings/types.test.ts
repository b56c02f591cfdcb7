import { describe, expect, it } from 'vitest';
import { placesRound, spaced } from './types';

const at = (seats: number): string[] => placesRound(seats).map((p) => `${p.row},${p.column}`);

describe('mats round a board', () => {
  it('go clockwise from the top left', () => {
    expect(at(8)).toEqual(['1,1', '1,2', '1,3', '2,3', '3,3', '3,2', '3,1', '2,1']);
  });

  it('leave the middle to the board, whatever the number', () => {
    for (let seats = 1; seats <= 30; seats++) {
      const places = at(seats);
      expect(places).toHaveLength(seats);
      expect(new Set(places).size).toBe(seats);
      expect(places).not.toContain('2,2');
    }
  });
});

describe('marks', () => {
  it('are told as words', () => expect(spaced('tree-nuts')).toBe('tree nuts'));
});
