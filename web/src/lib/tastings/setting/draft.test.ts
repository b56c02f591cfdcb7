import { describe, expect, it } from 'vitest';
import { termsIn, withoutSample, type Draft } from './draft';

const sample = (number: number): Draft['samples'][number] => ({
  number,
  kind: 'trial',
  about: number * 10,
  name: `loaf ${number}`,
  because: '',
  lot: '',
  marks: [],
  complete: false,
  gluten: 'unknown'
});
const draft: Draft = {
  name: 'table',
  note: '',
  archived: false,
  samples: [sample(1), sample(2), sample(3)],
  asked: {
    main: 'liking',
    attribute: '',
    just_right: [],
    words: [],
    comment: false,
    worth: 1,
    margin: 1,
    new: 3,
    looks: 1,
    warm_up: false
  },
  seats: [{ number: 1, name: 'Ola', allergies: [], by_choice: [], coeliac: false, left_out: [1, 2, 3] }]
};

describe('taking a sample off the table', () => {
  it('numbers the others anew, with what was left out of them and which is new', () => {
    const next = withoutSample(draft, 2);
    expect(next.samples.map((s) => [s.number, s.about])).toEqual([
      [1, 10],
      [2, 30]
    ]);
    expect(next.seats[0]!.left_out).toEqual([1, 2]);
    expect(next.asked.new).toBe(2);
  });

  it('a new one that went is new no more', () => expect(withoutSample(draft, 3).asked.new).toBeNull());
});

describe('terms', () => {
  it('are told apart by commas, each once, no more than are allowed', () =>
    expect(termsIn('moist, salt ; moist, ,bitter, sweet', 3)).toEqual(['moist', 'salt', 'bitter']));
});
