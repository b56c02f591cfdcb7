import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { problem, TestServer } from '../../testing/server';
import { BenchTest } from './test.svelte';

let server: TestServer;
const RESULT = {
  kind: 'cup',
  say: 'Your bag is like the typical one.',
  verdict: 'same',
  gives: [],
  warnings: []
};

beforeEach(() => {
  localStorage.clear();
  server = new TestServer()
    .on('POST', '/bench-tests/try', () => RESULT)
    .on('POST', '/bench-tests', () => RESULT);
});

afterEach(() => vi.unstubAllGlobals());

function cup(): BenchTest {
  return new BenchTest('cup', 'teff-flour', { cup_ml: '250' });
}

async function answered(test: BenchTest, ...masses: string[]): Promise<void> {
  test.answer('way', 'spooned');
  masses.forEach((mass, n) => test.answer(`net_${n}`, mass));
  for (let left = test.steps.length - test.at; left > 0; left--) await test.next();
}

describe('a bench test under way', () => {
  it('goes from screen to screen, and asks for the result at the end', async () => {
    const test = cup();
    expect([test.step?.key, test.ready]).toEqual(['way', false]);
    test.answer('way', 'dipped');
    expect(test.ready).toBe(true);
    await answered(test, '131', '128', '133');
    expect(test.result?.verdict).toBe('same');
    expect(server.last.body).toMatchObject({
      ingredient: 'teff-flour',
      readings: { kind: 'cup', net_g: [131, 128, 133], cup_ml: 250 }
    });
  });

  it('leads back to the first screen that is still unanswered', async () => {
    const test = cup();
    await answered(test, '131', '', '133');
    expect(test.step?.key).toBe('net_1');
    expect(test.wrong).toContain('missing');
    expect(server.asked).toHaveLength(0);
  });

  it('goes on where it was after a reload', async () => {
    const test = cup();
    test.answer('way', 'spooned');
    await test.next();
    test.lot_id = 6;
    test.keep();
    const again = cup();
    expect([again.at, again.lot_id, again.answers.way, again.answers.cup_ml]).toEqual([
      1,
      6,
      'spooned',
      '250'
    ]);
    expect(new BenchTest('water', 'teff-flour', {}).at).toBe(0);
  });

  it('takes one reading more, and one step back', async () => {
    const test = cup();
    await answered(test, '131', '128', '133');
    test.again();
    expect([test.result, test.step?.key]).toEqual([null, 'net_3']);
    test.back();
    expect(test.step?.key).toBe('net_2');
  });

  it('says what the readings cannot be, and shows no result', async () => {
    server.on('POST', '/bench-tests/try', () => problem(422, '1300 g in 250 mL', '/net_g/1'));
    const test = cup();
    await answered(test, '131', '1300', '133');
    expect([test.result, test.wrong, test.place]).toEqual([null, '1300 g in 250 mL', '/net_g/1']);
    test.answer('net_1', '130');
    expect(test.wrong).toBe('');
  });

  it('is forgotten once it is on record, and only then', async () => {
    const test = cup();
    await answered(test, '131', '128', '133');
    server.on('POST', '/bench-tests', () => problem(507, 'The disk is full'));
    expect(await test.record()).toBe(false);
    expect(cup().answers.net_0).toBe('131');
    server.on('POST', '/bench-tests', () => RESULT);
    expect(await test.record()).toBe(true);
    expect(cup().answers.net_0).toBeUndefined();
  });
});
