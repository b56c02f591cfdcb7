import { describe, expect, it } from 'vitest';
import { fromLot, toBody } from './lot';

const typed = (changes: Partial<ReturnType<typeof fromLot>>): ReturnType<typeof fromLot> => ({
  ...fromLot(null),
  code: 'A-1',
  bought: '5',
  ...changes
});

describe('a lot as it is typed', () => {
  it('is in kg, with a point or a comma, and full where nothing else is said', () => {
    const made = toBody(typed({ bought: '2,5' }), false);
    expect(made).toMatchObject({
      body: { bought_g: 2500, stock_g: 2500, yield_pct: 100, price_per_kg: null }
    });
  });

  it('keeps what is blank unknown', () => {
    expect(toBody(typed({ stock: '1' }), true)).toMatchObject({
      body: { stock_g: 1000, gluten_mg_per_kg: null, best_before: null, pack_g: null, archived: true }
    });
  });

  it('names the field that cannot be read', () => {
    expect(toBody(typed({ bought: '' }), false)).toMatchObject({ place: 'bought' });
    expect(toBody(typed({ gluten: 'low' }), false)).toMatchObject({ place: 'gluten' });
    expect(toBody(typed({ stock: '-1' }), false)).toMatchObject({ place: 'stock' });
  });

  it('takes the price of a pack before the price per kg', () => {
    const made = toBody(typed({ pack: '1', pack_price: '4', price: '9' }), false);
    expect(made).toMatchObject({ body: { pack_g: 1000, pack_price: 4, price_per_kg: null } });
  });
});
