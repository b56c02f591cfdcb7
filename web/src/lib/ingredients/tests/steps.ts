import type { Schemas } from '../../api/client';

export type Kind = 'cup' | 'water' | 'sieve' | 'card' | 'scale';
export type Answers = Readonly<Record<string, string>>;

/** One screen of a bench test: something to choose, to weigh, or to wait for. */
export interface Step {
  key: string;
  kind: 'choice' | 'mass' | 'number' | 'wait' | 'colour';
  title: string;
  say: string;
  unit?: string;
  options?: { value: string; label: string }[];
  seconds?: number;
}

const MESHES = ['1000', '710', '500', '355', '250', '180', '125', '90', '63'];
export const USUAL_STACK = ['500', '355', '250', '180', '125'];
export const ALL_MESHES = MESHES;
const REPEATS = 3;
const COIN = 10;

/** How often the test is done: three times, or once more. */
export function repeats(answers: Answers): number {
  return Number(answers.repeats ?? REPEATS);
}

/** The meshes of the stack in µm, the coarsest first. */
export function stack(answers: Answers): string[] {
  const chosen = answers.stack ? answers.stack.split(',').filter(Boolean) : USUAL_STACK;
  return [...chosen].sort((a, b) => Number(b) - Number(a));
}

const nth = (n: number): string =>
  ['First', 'Second', 'Third', 'Fourth', 'Fifth', 'Sixth'][n] ?? `${n + 1}th`;

function cup(a: Answers): Step[] {
  const way: Record<string, string> = {
    sifted: 'Sift the flour straight into the cup until it heaps',
    spooned: 'Spoon the flour into the cup until it heaps',
    dipped: 'Dip the cup into the flour so that it heaps'
  };
  return [
    {
      key: 'way',
      kind: 'choice',
      title: 'How do you fill a cup?',
      say: 'Measure it the way you always do: that is the cup your recipes mean.',
      options: [
        { value: 'spooned', label: 'Spoon it in' },
        { value: 'dipped', label: 'Dip and level' },
        { value: 'sifted', label: 'Sift it in' }
      ]
    },
    {
      key: 'cup_ml',
      kind: 'number',
      title: 'How much does your cup hold?',
      say: 'Fill it to the brim with water and weigh that: a gram of water is a millilitre.',
      unit: 'mL'
    },
    ...Array.from({ length: repeats(a) }, (_, n) => ({
      key: `net_${n}`,
      kind: 'mass' as const,
      title: `${nth(n)} cup`,
      say: `${way[a.way ?? 'spooned']}. Do not tap it. Level it with a straight edge. Tare the empty cup and weigh the flour in it.`,
      unit: 'g'
    }))
  ];
}

function water(a: Answers): Step[] {
  const blank: Step[] = [
    {
      key: 'cloth_dry',
      kind: 'mass',
      title: 'The dry cloth',
      say: 'Weigh the cloth or fine sieve that you will drain through, dry.',
      unit: 'g'
    },
    {
      key: 'blank_wait',
      kind: 'wait',
      title: 'A blank run',
      say: 'Pour water through the cloth, without flour, and let it drain as you will with flour.',
      seconds: 300
    },
    {
      key: 'cloth_wet',
      kind: 'mass',
      title: 'The wet cloth',
      say: 'Weigh it wet and empty: what it holds is not the flour’s water.',
      unit: 'g'
    }
  ];
  const runs = Array.from({ length: repeats(a) }, (_, n): Step[] => [
    {
      key: `flour_${n}`,
      kind: 'mass',
      title: `${nth(n)} run: the flour`,
      say: 'Weigh about 50 g of flour into a bowl. The bowl is tared.',
      unit: 'g'
    },
    {
      key: `soak_${n}`,
      kind: 'wait',
      title: `${nth(n)} run: soak`,
      say: 'Stir in ten times as much water at room temperature and let it stand.',
      seconds: 600
    },
    {
      key: `drain_${n}`,
      kind: 'wait',
      title: `${nth(n)} run: drain`,
      say: 'Tip it all into the wet cloth and let it drain. Do not press.',
      seconds: 300
    },
    {
      key: `drained_${n}`,
      kind: 'mass',
      title: `${nth(n)} run: the wet flour`,
      say: 'Weigh flour and cloth together. Flour that ran through spoils the run: take a finer cloth.',
      unit: 'g'
    }
  ]);
  return [...blank, ...runs.flat()];
}

function sieve(a: Answers): Step[] {
  return [
    {
      key: 'stack',
      kind: 'choice',
      title: 'Which meshes do you have?',
      say: 'Openings in µm. Three at least; the pan goes under them.',
      options: MESHES.map((m) => ({ value: m, label: `${m} µm` }))
    },
    {
      key: 'start',
      kind: 'mass',
      title: 'What you put in',
      say: 'Stack the meshes, the coarsest on top and the pan below. Weigh about 100 g of flour.',
      unit: 'g'
    },
    {
      key: 'shake',
      kind: 'wait',
      title: 'Shake',
      say: 'Tip it on the top mesh, close the lid, and shake and tap evenly.',
      seconds: 300
    },
    ...stack(a).map((m) => ({
      key: `mesh_${m}`,
      kind: 'mass' as const,
      title: `On the ${m} µm mesh`,
      say: 'Tare the empty mesh, or brush what stayed on it into a tared bowl, and weigh.',
      unit: 'g'
    })),
    {
      key: 'mesh_0',
      kind: 'mass',
      title: 'In the pan',
      say: 'Weigh what fell through every mesh.',
      unit: 'g'
    }
  ];
}

function card(a: Answers): Step[] {
  return [
    {
      key: 'card',
      kind: 'colour',
      title: 'The white card',
      say: 'Smooth the flour flat beside plain white paper, at a window, in no shadow, and take one photo. Then point at the paper in it.'
    },
    ...Array.from({ length: repeats(a) }, (_, n) => ({
      key: `spot_${n}`,
      kind: 'colour' as const,
      title: `${nth(n)} spot of flour`,
      say: 'Point at the flour, near the paper, another place each time.'
    }))
  ];
}

function coin(): Step[] {
  return [
    {
      key: 'readability',
      kind: 'choice',
      title: 'In what steps does your scale count?',
      say: 'Watch the last figure while you add a pinch of salt.',
      options: ['1', '0.5', '0.1', '0.05', '0.01'].map((v) => ({ value: v, label: `${v} g` }))
    },
    ...Array.from({ length: COIN }, (_, n) => ({
      key: `coin_${n}`,
      kind: 'mass' as const,
      title: `Weighing ${n + 1} of ${COIN}`,
      say: n
        ? 'Take the coin off, wait for zero, and put it on again.'
        : 'Tare the empty scale and put one coin on it. Any coin, but the same throughout.',
      unit: 'g'
    }))
  ];
}

/** Returns the screens of a test, given what was answered so far. */
export function stepsFor(kind: Kind, answers: Answers): Step[] {
  return { cup, water, sieve, card, scale: coin }[kind](answers);
}

/** Returns a typed number, 0 too; null where it is none. */
export function numberIn(text: string | undefined): number | null {
  const clean = (text ?? '').replace(/[\s\u202f\u00a0]/g, '').replace(',', '.');
  return /^\d{1,6}(\.\d{0,4})?$/.test(clean) ? Number(clean) : null;
}

/** Reads a colour, as `228, 226, 221` or `#e4e2dd`; null where it is none. */
export function colourIn(text: string | undefined): [number, number, number] | null {
  const hex = /^#?([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i.exec((text ?? '').trim());
  const parts = hex
    ? hex.slice(1).map((x) => parseInt(x, 16))
    : (text ?? '').split(/[\s,;]+/).flatMap((x) => (/^\d{1,3}$/.test(x) ? [Number(x)] : x ? [NaN] : []));
  const [r, g, b] = parts;
  if (parts.length !== 3 || !parts.every((x) => x <= 255)) return null;
  return [r!, g!, b!];
}

export function isAnswered(step: Step, answers: Answers): boolean {
  const given = answers[step.key];
  if (step.kind === 'wait') return true;
  if (step.kind === 'colour') return colourIn(given) !== null;
  if (step.key === 'stack') return stack(answers).length >= 3;
  return step.kind === 'choice' ? !!given : numberIn(given) !== null;
}

/** Returns the readings as the API takes them, or null while some are missing. */
export function readingsOf(kind: Kind, a: Answers): Schemas['BenchTestIn']['readings'] | null {
  if (!stepsFor(kind, a).every((s) => isAnswered(s, a))) return null;
  const n = (key: string): number => numberIn(a[key]) ?? 0;
  const each = Array.from({ length: repeats(a) }, (_, i) => i);
  switch (kind) {
    case 'cup':
      return {
        kind,
        net_g: each.map((i) => n(`net_${i}`)),
        cup_ml: n('cup_ml'),
        way: a.way as 'spooned'
      };
    case 'water':
      return {
        kind,
        runs: each.map((i) => ({ flour_g: n(`flour_${i}`), drained_g: n(`drained_${i}`) })),
        cloth_dry_g: n('cloth_dry'),
        cloth_wet_g: n('cloth_wet')
      };
    case 'sieve':
      return {
        kind,
        start_g: n('start'),
        stack: [...stack(a), '0'].map((m) => ({ opening_um: Number(m), mass_g: n(`mesh_${m}`) }))
      };
    case 'card':
      return {
        kind,
        card: colourIn(a.card) ?? [0, 0, 0],
        spots: each.map((i) => colourIn(a[`spot_${i}`]) ?? [0, 0, 0])
      };
    case 'scale':
      return {
        kind,
        readings_g: Array.from({ length: COIN }, (_, i) => n(`coin_${i}`)),
        readability_g: n('readability')
      };
  }
}
