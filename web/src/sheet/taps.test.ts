import { describe, expect, it } from 'vitest';
import { markWord, nextMark, Taps, type Tap } from './taps';

const tap = (id: string): Tap => ({ id, quantity: 'core_c', value: 96, arm: '', day: 0 });

function kept(): { getItem(k: string): string | null; setItem(k: string, t: string): void } {
  const items = new Map<string, string>();
  return { getItem: (k) => items.get(k) ?? null, setItem: (k, t) => void items.set(k, t) };
}

describe('taps that wait', () => {
  it('are sent in their order, each once', async () => {
    const sent: string[] = [];
    const taps = new Taps(
      'a',
      kept(),
      async (t) => (sent.push(t.id), 'saved' as const),
      () => undefined
    );
    await Promise.all([taps.add(tap('1')), taps.add(tap('2')), taps.add(tap('3'))]);
    expect(sent).toEqual(['1', '2', '3']);
    expect(taps.waiting).toEqual([]);
  });

  it('stay while nobody is in reach, and go when somebody is again', async () => {
    let near = false;
    const taps = new Taps(
      'a',
      kept(),
      async () => (near ? 'saved' : 'out of reach'),
      () => undefined
    );
    await taps.add(tap('1'));
    await taps.add(tap('2'));
    expect(taps.waiting.length).toBe(2);
    near = true;
    await taps.flush();
    expect(taps.waiting).toEqual([]);
  });

  it('outlive the page', async () => {
    const store = kept();
    await new Taps(
      'a',
      store,
      async () => 'out of reach',
      () => undefined
    ).add(tap('1'));
    expect(
      new Taps(
        'a',
        store,
        async () => 'saved',
        () => undefined
      ).waiting.map((t) => t.id)
    ).toEqual(['1']);
  });

  it('do not hold up the others where one is refused', async () => {
    const taps = new Taps(
      'a',
      kept(),
      async (t) => (t.id === '1' ? 'refused' : 'saved'),
      () => undefined
    );
    await taps.add(tap('1'));
    await taps.add(tap('2'));
    expect(taps.waiting).toEqual([]);
    expect(taps.refused).toBe('1');
  });

  it('begin anew where what the browser kept cannot be read', () => {
    const taps = new Taps(
      'a',
      { getItem: () => '{', setItem: () => undefined },
      async () => 'saved',
      () => undefined
    );
    expect(taps.waiting).toEqual([]);
  });
});

describe('a mark', () => {
  it('grows stronger with the second tap and is not there with the third', () => {
    const taps = [null, 1, 2, 0].map((v) => nextMark(v, true));
    expect(taps).toEqual([1, 2, 0, 1]);
    expect([1, 2, 0, null].map((v) => markWord(v, true))).toEqual(['a little', 'clearly', 'not there', '']);
  });

  it('that is a yes or a no has no third', () => {
    expect([null, 1, 0].map((v) => nextMark(v, false))).toEqual([1, 0, 1]);
    expect(markWord(0, false)).toBe('no');
  });
});
