import { describe, expect, it } from 'vitest';
import { WeighingQueue, type How, type Waiting } from './queue';

class Box {
  kept: Record<string, string> = {};
  getItem = (key: string): string | null => this.kept[key] ?? null;
  setItem = (key: string, text: string): void => void (this.kept[key] = text);
}

const weighing = (key: string, net_g = 100): Waiting => ({
  key,
  batch_id: 1,
  body: {
    ingredient: 'teff-flour',
    net_g,
    lot_id: 1,
    gross_g: net_g,
    tare_g: 0,
    typed: false,
    stable: true,
    why: ''
  }
});

describe('weighings that wait', () => {
  it('go in their order, and once, when the kitchen is in reach again', async () => {
    const box = new Box();
    const sent: string[] = [];
    let inReach = false;
    const send = (w: Waiting): Promise<How> => {
      if (!inReach) return Promise.resolve('out of reach');
      sent.push(w.key);
      return Promise.resolve('kept');
    };
    const queue = new WeighingQueue(1, box, send);
    await queue.add(weighing('first-pour'));
    await queue.add(weighing('second-pour'));
    expect(queue.waiting.map((w) => w.key)).toEqual(['first-pour', 'second-pour']);
    inReach = true;
    await new WeighingQueue(1, box, send).flush();
    await queue.flush();
    expect(sent).toEqual(['first-pour', 'second-pour']);
    expect(queue.waiting).toEqual([]);
  });

  it('that are refused are told, and do not hold up the others', async () => {
    const sent: string[] = [];
    const queue = new WeighingQueue(1, new Box(), (w) => {
      sent.push(w.key);
      return Promise.resolve(w.key === 'bad-weighing' ? { refused: 'too little in the lot' } : 'kept');
    });
    expect(await queue.add(weighing('bad-weighing'))).toBe('too little in the lot');
    expect(await queue.add(weighing('good-weighing'))).toBe('');
    expect(sent).toEqual(['bad-weighing', 'good-weighing']);
    expect(queue.waiting).toEqual([]);
  });

  it('of another batch are left alone, and what cannot be read is nothing', () => {
    const box = new Box();
    box.kept['weighings 1'] = '{';
    expect(new WeighingQueue(1, box, () => Promise.resolve('kept')).waiting).toEqual([]);
    box.kept['weighings 2'] = JSON.stringify([weighing('others')]);
    expect(new WeighingQueue(1, box, () => Promise.resolve('kept')).waiting).toEqual([]);
  });
});
