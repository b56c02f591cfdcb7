import { describe, expect, it } from 'vitest';
import type { Judgement, Schemas } from '../../api/client';
import { contains, cost, cup, energy, gluten, keeps, restsOn } from './bag';

const KITCHEN = { currency: 'TL', energy_unit: 'kj', temp_unit: 'c' } as Schemas['KitchenOut'];
const known = (typical: number | null, pct = 100) => ({
  typical,
  low: typical,
  high: typical,
  known_mass_pct: pct,
  sigma: 0
});

function judged(parts: Record<string, unknown>, analysis: Record<string, unknown> = {}): Judgement {
  return { analysis, ...parts } as unknown as Judgement;
}

describe('the bag line', () => {
  it.each([
    [known(3.94), '3.94\u00a0TL per kg', ''],
    [known(1.5, 50), 'at least 1.50\u00a0TL per kg', '50 % priced'],
    [known(null, 0), 'unknown', 'no prices']
  ])('says the cost, or at least so much, or that it is unknown', (cost_per_kg, say, also) => {
    expect(cost(judged({}, { cost_per_kg }), KITCHEN)).toMatchObject({ say, also });
  });

  it('says a cup with its spread', () => {
    const cup_g = { typical: 129.4, low: 108.2, high: 158.1 };
    expect(cup(judged({}, { metrics: { cup_g } }))).toMatchObject({ say: '129 g', also: '108–158' });
    expect(cup(judged({}, { metrics: { cup_g: known(null, 80) } })).say).toBe('unknown');
  });

  it('never says free: what is not recorded is said to be not recorded', () => {
    expect(contains(judged({ contains: [] })).say).toBe('none recorded');
    expect(contains(judged({ contains: ['tree-nuts', 'oats'] })).say).toBe('tree nuts, oats');
  });

  it.each([
    [{ status: 'known', known_mg_per_kg: 5.4, unknown_parts: [] }, 'up to 5.4 mg/kg'],
    [{ status: 'unknown', known_mg_per_kg: 3, unknown_parts: ['a', 'b'] }, 'unknown'],
    [{ status: 'contains', known_mg_per_kg: 0, unknown_parts: [] }, 'contains gluten']
  ])('says gluten as known, unknown or contained', (found, say) => {
    expect(gluten(judged({ gluten: found })).say).toBe(say);
  });

  it('says how long it keeps and at what temperature', () => {
    const keeping = { months: 4.63, months_low: 3, months_high: 4.63, temp_c: 20 };
    expect(keeps(judged({ keeping }), KITCHEN)).toEqual({
      label: 'keeps at 20 °C',
      say: '4.6 months',
      also: '3.0–4.6'
    });
    expect(keeps(judged({ keeping: { ...keeping, months: null } }), KITCHEN).say).toBe('unknown');
    expect(keeps(judged({ keeping }), { ...KITCHEN, temp_unit: 'f' }).label).toBe('keeps at 68 °F');
  });

  it('says energy in the unit of the kitchen, as a lower bound where a part has none', () => {
    const nutrients = { energy_kj: known(1444), energy_kcal: known(341.2, 90) };
    expect(energy(judged({}, { nutrients }), KITCHEN).say).toBe('1\u202f444 kJ');
    expect(energy(judged({}, { nutrients }), { ...KITCHEN, energy_unit: 'kcal' }).say).toBe(
      'at least 341 kcal'
    );
  });

  it('says what the numbers rest on and leaves out what is next to nothing', () => {
    const rests_on_pct = { measured: 0, label: 20.2, table: 40, 'by-difference': 0.3, estimate: 39.5 };
    expect(restsOn(judged({}, { rests_on_pct }))).toBe('20 % label · 40 % table · 40 % estimated');
    const rests = { by_quality: { measured: 0, table: 55, estimate: 30 }, taste_pct: 15 };
    expect(restsOn(judged({ rests }, { rests_on_pct }))).toBe('55 % table · 30 % estimated · 15 % taste');
  });
});
