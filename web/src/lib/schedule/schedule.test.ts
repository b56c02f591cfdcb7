import { describe, expect, it } from 'vitest';
import { dayOf, instantOf, lasting, localOf, timeOf } from './clock';
import { layoutOf, swell } from './drawing/lanes';
import { placed, visitsOf } from './drawing/visits';
import { tomorrowAtNine } from './making';
import { countsTo, doneAt, endedRises, left, momentOf, notYet } from './running/running';
import type { ScheduleBench } from './schedule.svelte';
import type { Answer, Content, Step } from './types';

const at = (time: string) => `2026-03-14T${time}:00Z`;
const step = (name: string, from: string, to: string, more: Partial<Step> = {}): Step => ({
  product: 'loaf',
  step: name,
  after: [],
  do: name,
  kind: 'hands',
  at: at(from),
  end: at(to),
  place: 'bench',
  oven: null,
  temp_c: 22,
  hands: [[at(from), at(to)]],
  ripeness: null,
  dough_c: null,
  state: 'planned',
  announced: null,
  pinned: false,
  grams: [],
  notes: [],
  gate: null,
  likely: null,
  rim_at: null,
  curve: [],
  flags: [],
  phases: [],
  ...more
});
const proof = step('proof', '10:10', '11:10', {
  kind: 'ferment',
  after: ['fill'],
  hands: [],
  curve: [0, 0.5, 1]
});
const bake = step('bake', '11:10', '12:00', {
  kind: 'bake',
  after: ['proof'],
  place: 'oven',
  oven: 'deck',
  hands: [
    [at('11:10'), at('11:15')],
    [at('11:55'), at('12:00')]
  ],
  phases: [{ at: at('11:10'), end: at('12:00'), oven_c: 200 }]
});
const cool = step('cool', '12:00', '13:30', { kind: 'cool', after: ['bake'], hands: [] });
const steps = [step('fill', '10:00', '10:10'), proof, bake, cool];
const answer = {
  steps,
  heating: [{ oven: 'deck', at: at('10:50'), to_c: 200, hot_at: at('11:10') }],
  hours: []
} as unknown as Answer;

describe('the clock of the kitchen', () => {
  it('shows instants in its own zone and reads them back', () => {
    expect(timeOf(at('12:00'), 'Asia/Kolkata')).toBe('17:30');
    expect(dayOf(at('23:30'), 'Europe/Oslo')).toBe('Sun 15');
    expect(localOf(at('09:00'), 'America/St_Johns')).toBe('2026-03-14T06:30');
    expect(instantOf('2026-03-14T06:30', 'America/St_Johns')).toBe(Date.parse(at('09:00')));
    expect(instantOf('2026-03-14T09:00Z', 'America/St_Johns')).toBe(Date.parse(at('09:00')));
  });

  it('takes the first of a time that stands twice, and moves a skipped one forward', () => {
    expect(new Date(instantOf('2026-10-25T01:30', 'Europe/London')).toISOString()).toBe(
      '2026-10-25T00:30:00.000Z'
    );
    expect(localOf(instantOf('2026-03-29T01:30', 'Europe/London'), 'Europe/London')).toBe('2026-03-29T02:30');
  });

  it('says lengths and tomorrow as people do', () => {
    expect([lasting(45), lasting(65), lasting(120)]).toEqual(['45 min', '1 h 05 min', '2 h']);
    expect(tomorrowAtNine(at('23:30'), 'Europe/Oslo')).toBe('2026-03-16T09:00');
  });
});

describe('the drawing', () => {
  it('has a row for each place, the oven under the bench, cooling on the rack', () => {
    const { lanes, pieces } = layoutOf(answer, {});
    expect(lanes.map((l) => l.label)).toEqual(['Bench', 'Deck', 'Rack']);
    expect(pieces.map((p) => p.lane)).toEqual(['bench', 'bench', 'oven:deck', 'rack']);
  });

  it('sets threads side by side that are in one place at once', () => {
    const other = step('mix', '10:05', '10:30', { product: 'rolls' });
    const { lanes, pieces } = layoutOf({ ...answer, steps: [...steps, other] }, {});
    expect(lanes[0]!.slots).toBe(2);
    expect(pieces.find((p) => p.step === other)!.slot).toBe(1);
  });

  it('swells as a dough ripens', () => {
    expect(swell(0)).toBeLessThan(swell(0.5));
    expect(swell(0.5)).toBeLessThan(swell(1));
  });

  it('makes work that touches one visit', () => {
    const found = visitsOf([step('weigh', '09:40', '09:50'), step('mix', '09:50', '10:00'), bake]);
    expect(found.map((v) => v.steps.map((s) => s.step))).toEqual([['weigh', 'mix'], ['bake'], ['bake']]);
  });

  it('leaves out a label that finds no room, but never the chosen one', () => {
    const words = [{ x: 0 }, { x: 10 }, { x: 200 }];
    const found = placed(
      words,
      (w) => w.x,
      () => 50,
      1,
      400,
      (w) => w.x === 10
    );
    expect(found.map((f) => f.item.x)).toEqual([10, 200]);
  });
});

describe('a plan that runs', () => {
  const content: Content = {
    format: 'fallow-sieve/schedule',
    version: 1,
    name: '',
    zone: 'UTC',
    now: at('09:00'),
    kitchen: null,
    products: [{ id: 'loaf', ready_at: '2026-03-14T14:00' }]
  };
  const bench = {
    content,
    zone: 'UTC',
    steps,
    productOf: () => content.products[0],
    withProduct: (_: string, change: object) => ({
      ...content,
      products: [{ ...content.products[0], ...change }]
    }),
    pinnedAt: (s: Step, when: string) => ({
      ...content,
      products: [{ ...content.products[0], pins: { [s.step]: when } }]
    })
  } as unknown as ScheduleBench;
  const ms = (time: string) => Date.parse(at(time));

  it('shows what is due within ten minutes, what is next, and what rests', () => {
    expect(momentOf(steps, ms('09:45')).now).toBeNull();
    expect(momentOf(steps, ms('09:52')).now?.step).toBe('fill');
    const running = steps.map((s) => ({
      ...s,
      state: s.step === 'fill' ? 'done' : s.step === 'proof' ? 'running' : 'planned'
    }));
    const moment = momentOf(running, ms('10:30'));
    expect([moment.now, moment.next[0]!.step, moment.resting[0]!.step]).toEqual([null, 'bake', 'proof']);
  });

  it('begins what follows without hands as a step is done, and ends a rise as its bake begins', () => {
    const after = doneAt(bench, steps[0]!, ms('10:12'));
    expect(after.products[0]!.done).toEqual({
      fill: { began: '2026-03-14T10:00', ended: '2026-03-14T10:12' },
      proof: { began: '2026-03-14T10:12' }
    });
    const rising = { ...bench, productOf: () => after.products[0] } as unknown as ScheduleBench;
    const baking = doneAt(rising, bake, ms('11:20'));
    expect(baking.products[0]!.done!.proof).toEqual({ began: '2026-03-14T10:12', ended: '2026-03-14T11:10' });
    expect(baking.products[0]!.done!.bake).toEqual({ began: '2026-03-14T11:10' });
    expect(endedRises(after, baking, steps).map((s) => s.step)).toEqual(['proof']);
  });

  it('counts to the beginning, then to the end of the hands, then to the end', () => {
    expect(countsTo(bake, ms('11:00'))).toBe(at('11:10'));
    expect(countsTo(bake, ms('11:12'))).toBe(at('11:15'));
    expect(countsTo({ ...bake, state: 'running' }, ms('11:30'))).toBe(at('12:00'));
  });

  it('puts a step off to the next five minutes', () => {
    const later = notYet(bench, steps[0]!, ms('10:02'));
    expect(later.products[0]!.pins!.fill).toBe(at('10:05'));
  });

  it('says the time that is left in its largest units', () => {
    expect(left(492_000)).toEqual([
      { value: '8', unit: 'min' },
      { value: '12', unit: 's' }
    ]);
    expect(left(3_900_000).map((p) => p.value)).toEqual(['1', '05']);
    expect(left(-5)[0]!.value).toBe('0');
  });
});
