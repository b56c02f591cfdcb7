import { describe, expect, it } from 'vitest';
import { History } from '../../document/history';
import { Latest } from './latest';

/** Work whose answers come when the test says so. */
function held(): {
  work: (n: number) => Promise<number>;
  answer: (n: number) => Promise<void>;
  asked: number[];
} {
  const waiting = new Map<number, (n: number) => void>();
  const asked: number[] = [];
  return {
    asked,
    work: (n) =>
      new Promise((resolve) => {
        asked.push(n);
        waiting.set(n, resolve);
      }),
    answer: async (n) => {
      waiting.get(n)?.(n * 10);
      await Promise.resolve();
      await Promise.resolve();
    }
  };
}

describe('the newest question', () => {
  it('is asked when the one under way is answered, and those between are dropped', async () => {
    const { work, answer, asked } = held();
    const got: number[] = [];
    const latest = new Latest(
      work,
      (r) => got.push(r),
      () => undefined
    );
    [1, 2, 3, 4].forEach((n) => latest.ask(n));
    expect(asked).toEqual([1]);
    await answer(1);
    expect(asked).toEqual([1, 4]);
    await answer(4);
    expect(got).toEqual([10, 40]);
  });

  it('is forgotten together with the answer under way when the blend is emptied', async () => {
    const { work, answer } = held();
    const got: number[] = [];
    const latest = new Latest(
      work,
      (r) => got.push(r),
      () => undefined
    );
    latest.ask(1);
    latest.ask(2);
    latest.forget();
    await answer(1);
    expect(got).toEqual([]);
  });

  it('is asked also after one that failed, and the failure is told', async () => {
    const told: unknown[] = [];
    const got: number[] = [];
    const work = (n: number): Promise<number> =>
      n === 1 ? Promise.reject(new Error('no')) : Promise.resolve(n);
    const latest = new Latest(
      work,
      (r) => got.push(r),
      (e) => told.push(e)
    );
    latest.ask(1);
    latest.ask(2);
    await new Promise((resolve) => setTimeout(resolve));
    expect(got).toEqual([2]);
    expect(told).toHaveLength(1);
  });
});

describe('a history', () => {
  it('goes back and forward to the very same states', () => {
    const history = new History<string>();
    history.note('one');
    history.note('two');
    expect(history.undo('three')).toBe('two');
    expect(history.undo('two')).toBe('one');
    expect(history.undo('one')).toBeNull();
    expect(history.redo('one')).toBe('two');
    expect(history.redo('two')).toBe('three');
    expect(history.canRedo).toBe(false);
  });

  it('forgets what was undone once something else is done', () => {
    const history = new History<string>();
    history.note('one');
    history.undo('two');
    history.note('one');
    expect(history.canRedo).toBe(false);
  });

  it('keeps the newest when it is full', () => {
    const history = new History<number>(3);
    [1, 2, 3, 4, 5].forEach((n) => history.note(n));
    expect([history.undo(6), history.undo(5), history.undo(4), history.undo(3)]).toEqual([5, 4, 3, null]);
  });
});
