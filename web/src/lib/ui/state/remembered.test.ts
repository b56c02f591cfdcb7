import { beforeEach, describe, expect, it, vi } from 'vitest';
import { remembered } from './remembered';

describe('what this browser remembers', () => {
  beforeEach(() => localStorage.clear());

  it('comes back, with the rest as it was', () => {
    const one = remembered('key', { a: 1, b: 2 });
    one.keep({ a: 5, b: 2 });
    expect(remembered('key', { a: 0, b: 0, c: 3 }).read()).toEqual({ a: 5, b: 2, c: 3 });
  });

  it.each(['', '{', '3', 'null', '"text"'])('is as if it were not there where it reads %s', (text) => {
    localStorage.setItem('key', text);
    expect(remembered('key', { a: 1 }).read()).toEqual({ a: 1 });
  });

  it('is only forgotten where the store is full or forbidden', () => {
    const full = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    expect(() => remembered('key', { a: 1 }).keep({ a: 2 })).not.toThrow();
    full.mockRestore();
  });
});
