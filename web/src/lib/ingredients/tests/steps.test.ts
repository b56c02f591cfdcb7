import { describe, expect, it } from 'vitest';
import { colourIn, isAnswered, numberIn, readingsOf, stack, stepsFor, type Answers } from './steps';

const CUP: Answers = { way: 'spooned', cup_ml: '250', net_0: '141', net_1: '138,5', net_2: '143' };

describe('the screens of a bench test', () => {
  it('asks one thing a screen, and three readings unless more are wanted', () => {
    expect(stepsFor('cup', {}).map((s) => s.key)).toEqual(['way', 'cup_ml', 'net_0', 'net_1', 'net_2']);
    expect(stepsFor('cup', { repeats: '4' })).toHaveLength(6);
    expect(stepsFor('scale', {}).filter((s) => s.kind === 'mass')).toHaveLength(10);
  });

  it('weighs the cloth in a blank run before any flour, and waits between', () => {
    const keys = stepsFor('water', {}).map((s) => s.key);
    expect(keys.slice(0, 4)).toEqual(['cloth_dry', 'blank_wait', 'cloth_wet', 'flour_0']);
    expect(keys).toHaveLength(3 + 3 * 4);
  });

  it('asks each mesh that was chosen, the coarsest first and the pan last', () => {
    const answers = { stack: '125,500,250' };
    const masses = stepsFor('sieve', answers).filter((s) => s.key.startsWith('mesh_'));
    expect(masses.map((s) => s.key)).toEqual(['mesh_500', 'mesh_250', 'mesh_125', 'mesh_0']);
    expect(stack({ stack: '' })).toHaveLength(5);
  });

  it('knows what is answered: nothing may weigh 0, but it must be a number', () => {
    const [way, cup] = stepsFor('cup', {});
    expect(isAnswered(way!, {})).toBe(false);
    expect(isAnswered(way!, CUP)).toBe(true);
    expect(isAnswered(cup!, { cup_ml: 'a lot' })).toBe(false);
    expect(isAnswered(cup!, { cup_ml: '0' })).toBe(true);
    expect(isAnswered(stepsFor('sieve', {})[0]!, { stack: '500,250' })).toBe(false);
  });

  it('reads a colour as three numbers or as the web writes it, and nothing else', () => {
    for (const text of ['228, 226, 221', '228 226 221', '#e4e2dd', 'E4E2DD'])
      expect(colourIn(text)).toEqual([228, 226, 221]);
    for (const text of ['', undefined, '228, 226', '300, 0, 0', '1, 2, 3, 4', 'white', '#fff'])
      expect(colourIn(text)).toBeNull();
    const answers = { card: '#e4e2dd', spot_0: '9,9,9', spot_1: '8 8 8', spot_2: '7;7;7' };
    expect(readingsOf('card', answers)).toEqual({
      kind: 'card',
      card: [228, 226, 221],
      spots: [
        [9, 9, 9],
        [8, 8, 8],
        [7, 7, 7]
      ]
    });
  });

  it('reads a number with a comma and spaces', () => {
    expect(numberIn(' 1 250,5 ')).toBe(1250.5);
    for (const text of ['', undefined, '-1', '1.2.3', 'g']) expect(numberIn(text)).toBeNull();
  });
});

describe('the readings that are sent', () => {
  it('are nothing while one is missing', () => {
    expect(readingsOf('cup', { ...CUP, net_1: '' })).toBeNull();
    expect(readingsOf('cup', { ...CUP, repeats: '4' })).toBeNull();
  });

  it('are those that were taken', () => {
    expect(readingsOf('cup', CUP)).toEqual({
      kind: 'cup',
      net_g: [141, 138.5, 143],
      cup_ml: 250,
      way: 'spooned'
    });
    const water: Record<string, string> = { cloth_dry: '12', cloth_wet: '40', repeats: '2' };
    for (const n of [0, 1]) Object.assign(water, { [`flour_${n}`]: '50', [`drained_${n}`]: `${165 + n}` });
    expect(readingsOf('water', water)).toEqual({
      kind: 'water',
      runs: [
        { flour_g: 50, drained_g: 165 },
        { flour_g: 50, drained_g: 166 }
      ],
      cloth_dry_g: 12,
      cloth_wet_g: 40
    });
  });

  it('name every mesh with its opening, the pan as 0', () => {
    const answers = {
      stack: '500,250,125',
      start: '100',
      mesh_500: '1',
      mesh_250: '9',
      mesh_125: '50',
      mesh_0: '40'
    };
    expect(readingsOf('sieve', answers)).toMatchObject({
      start_g: 100,
      stack: [500, 250, 125, 0].map((opening_um) => ({ opening_um }))
    });
  });
});
