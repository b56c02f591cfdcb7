import { describe, expect, it } from 'vitest';
import { History, historyOf, leave } from './history';

const same = (a: number, b: number): boolean => a === b;

describe('undo that outlives leaving a page', () => {
  it('goes on where it was when the document is found as it was left', () => {
    const first = historyOf('blend 1', 10, same);
    first.note(10);
    leave('blend 1', first, 11);
    const again = historyOf('blend 1', 11, same);
    expect(again.canUndo).toBe(true);
    expect(again.undo(11)).toBe(10);
  });

  it('is new where the document was changed elsewhere meanwhile, or is another one', () => {
    const first = historyOf('blend 2', 1, same);
    first.note(1);
    leave('blend 2', first, 2);
    expect(historyOf('blend 2', 3, same).canUndo).toBe(false);
    expect(historyOf('blend 3', 2, same).canUndo).toBe(false);
  });

  it('forgets the one left longest ago', () => {
    for (let n = 0; n < 25; n++) {
      const history = new History<number>();
      history.note(0);
      leave(`many ${n}`, history, n);
    }
    expect(historyOf('many 0', 0, same).canUndo).toBe(false);
    expect(historyOf('many 24', 24, same).canUndo).toBe(true);
  });
});
