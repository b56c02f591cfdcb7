import type { Schemas } from '../../api/client';

export type LotText = Record<
  | 'code'
  | 'supplier'
  | 'bought'
  | 'stock'
  | 'bought_on'
  | 'best_before'
  | 'pack'
  | 'pack_price'
  | 'yield_pct'
  | 'price'
  | 'gluten'
  | 'gluten_basis'
  | 'gluten_on'
  | 'note',
  string
>;

const text = (value: number | null | undefined, per = 1): string =>
  value === null || value === undefined ? '' : String(Math.round((value / per) * 1e6) / 1e6);

/** Returns a lot as it is typed: masses in kg. */
export function fromLot(lot: Schemas['LotFullOut'] | null): LotText {
  return {
    code: lot?.code ?? '',
    supplier: lot?.supplier ?? '',
    bought: text(lot?.bought_g, 1000),
    stock: text(lot?.stock_g, 1000),
    bought_on: lot?.bought_on ?? '',
    best_before: lot?.best_before ?? '',
    pack: text(lot?.pack_g, 1000),
    pack_price: text(lot?.pack_price),
    yield_pct: text(lot?.yield_pct ?? 100),
    price: lot?.pack_price === null || lot?.pack_price === undefined ? text(lot?.price_per_kg) : '',
    gluten: text(lot?.gluten_mg_per_kg),
    gluten_basis: lot?.gluten_basis ?? '',
    gluten_on: lot?.gluten_on ?? '',
    note: lot?.note ?? ''
  };
}

const NUMBERS = {
  bought: 'what was bought',
  stock: 'what is left',
  pack: 'what a pack holds',
  pack_price: 'the price of a pack',
  yield_pct: 'what can be used',
  price: 'the price per kg',
  gluten: 'the gluten value'
} as const;

type Made = { body: Schemas['LotIn'] } | { wrong: string; place: string };

/** Returns the lot that was typed, or which field cannot be read; a new lot is full where nothing else is said. */
export function toBody(t: LotText, archived: boolean): Made {
  const read: Record<string, number | null> = {};
  for (const [name, words] of Object.entries(NUMBERS)) {
    const typed = t[name as keyof typeof NUMBERS].replace(/\s/g, '').replace(',', '.');
    if (typed && !/^\d{1,9}(\.\d{0,6})?$/.test(typed))
      return { wrong: `Give ${words} as a number, or leave it blank.`, place: name };
    read[name] = typed ? Number(typed) : null;
  }
  if (read.bought === null) return { wrong: 'Say how much was bought, in kg.', place: 'bought' };
  const kg = (name: string): number | null =>
    read[name] == null ? null : Math.round(read[name] * 1e9) / 1e6;
  const body = {
    code: t.code,
    supplier: t.supplier,
    bought_g: kg('bought')!,
    stock_g: kg('stock') ?? kg('bought')!,
    bought_on: t.bought_on || null,
    best_before: t.best_before || null,
    pack_g: kg('pack'),
    pack_price: read.pack_price ?? null,
    yield_pct: read.yield_pct ?? 100,
    price_per_kg: read.pack_price == null ? (read.price ?? null) : null,
    gluten_mg_per_kg: read.gluten ?? null,
    gluten_basis: t.gluten_basis,
    gluten_on: t.gluten_on || null,
    note: t.note,
    archived
  };
  return { body };
}
