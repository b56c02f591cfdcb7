import { api, ask, type Schemas } from '../api/client';

type BriefIn = Schemas['BriefIn'];
type Limits = Schemas['LimitsIn'];
export type Bag = NonNullable<Limits['bag']>;

/** The kinds of bag that a brief may ask for, from the barest to the one that wants water alone. */
export const BAGS: readonly { name: Bag; label: string }[] = [
  { name: 'flours', label: 'flours alone' },
  { name: 'flours with binder', label: 'flours with binder' },
  { name: 'self-raising', label: 'self-raising' },
  { name: 'complete', label: 'complete, to add water to' }
];

/** A use beside the first, with its weight as it is typed. */
export interface Also {
  use: string;
  weight: string;
}

/** A wish about one metric: at least or at most so much. */
export interface Wish {
  metric: string;
  side: 'least' | 'most';
  text: string;
}

function asText(value: number | null | undefined): string {
  return value === null || value === undefined ? '' : String(value);
}

/** Reads an optional number of a brief; throws words that say which and why. */
export function optionalNumber(text: string, what: string, whole = false): number | null {
  if (!text.trim()) return null;
  const value = Number(text.trim().replace(',', '.'));
  if (!Number.isFinite(value) || value < 0 || (whole && !Number.isInteger(value))) {
    throw new Error(
      `${what}: “${text}” will not do; give ${whole ? 'a whole number' : 'a number'}, or leave it empty.`
    );
  }
  return value;
}

/** What is typed of a brief. */
export type Typed = Pick<
  BriefDraft,
  | 'name'
  | 'use'
  | 'weight'
  | 'also'
  | 'eaters'
  | 'aim'
  | 'note'
  | 'allergens'
  | 'exclude'
  | 'price'
  | 'bins'
  | 'gluten'
  | 'bag'
  | 'gum'
  | 'wishes'
>;

/** The brief being written: fields as they are typed, so that nothing typed is lost to an error. */
export class BriefDraft {
  name = $state('');
  use = $state('all-purpose');
  /** How much the first use counts among several. */
  weight = $state('1');
  also = $state<Also[]>([]);
  eaters = $state('');
  aim = $state<BriefIn['aim']>('nearest');
  note = $state('');
  allergens = $state<string[]>([]);
  exclude = $state<string[]>([]);
  price = $state('');
  bins = $state('');
  gluten = $state('');
  bag = $state<Bag | ''>('');
  gum = $state('');
  wishes = $state<Wish[]>([]);
  archived = $state(false);
  version = '';

  static from(found: Schemas['Brief'], version: string): BriefDraft {
    const d = new BriefDraft();
    d.name = found.name;
    d.use = found.use;
    d.eaters = found.eaters;
    d.aim = found.aim as BriefIn['aim'];
    d.note = found.note;
    d.archived = found.archived;
    d.version = version;
    const limits = found.limits;
    d.allergens = [...(limits.exclude_allergens ?? [])];
    d.exclude = [...(limits.exclude ?? [])];
    d.price = asText(limits.price_cap_per_kg);
    d.bins = asText(limits.max_bins);
    d.gluten = asText(limits.gluten_cap_mg_per_kg);
    d.bag = limits.bag ?? '';
    d.gum = asText(limits.max_gum_pct);
    const named = limits.uses ?? [];
    d.weight = asText(named.find((u) => u.use === d.use)?.weight ?? 1);
    d.also = named.filter((u) => u.use !== d.use).map((u) => ({ use: u.use, weight: asText(u.weight ?? 1) }));
    d.wishes = (limits.bands ?? []).flatMap(wishesOf);
    return d;
  }

  /** The fields as they are typed, as this browser keeps them until they are saved. */
  get typed(): Typed {
    const { name, use, weight, also, eaters, aim, note, allergens } = this;
    const { exclude, price, bins, gluten, bag, gum, wishes } = this;
    return $state.snapshot({
      name,
      use,
      weight,
      also,
      eaters,
      aim,
      note,
      allergens,
      exclude,
      price,
      bins,
      gluten,
      bag,
      gum,
      wishes
    });
  }

  /** Puts typed fields back as they were left. */
  take(typed: Typed): void {
    Object.assign(this, typed);
  }

  toggleAllergen(name: string): void {
    this.allergens = this.allergens.includes(name)
      ? this.allergens.filter((a) => a !== name)
      : [...this.allergens, name];
  }

  toBody(metricLabel: (name: string) => string): BriefIn {
    if (!this.name.trim()) throw new Error('Name: give the brief a name first.');
    const limits: Limits = {
      exclude_allergens: this.allergens,
      exclude: this.exclude,
      price_cap_per_kg: optionalNumber(this.price, 'Price'),
      max_bins: optionalNumber(this.bins, 'Bins', true),
      gluten_cap_mg_per_kg: optionalNumber(this.gluten, 'Gluten'),
      bag: this.bag || null,
      max_gum_pct: optionalNumber(this.gum, 'Gum'),
      bands: bandsOf(this.wishes, metricLabel),
      uses: this.also.length
        ? [{ use: this.use, weight: this.weight }, ...this.also].map((u) => ({
            use: u.use,
            weight: optionalNumber(u.weight, 'Weight') ?? 1
          }))
        : []
    };
    const { use, eaters, aim, note, archived } = this;
    return { name: this.name.trim(), use, eaters, aim, note, archived, limits };
  }

  /** Saves the brief; returns its id. */
  async save(id: number | null, metricLabel: (name: string) => string): Promise<number> {
    const body = this.toBody(metricLabel);
    const saved =
      id === null
        ? await ask(api.POST('/api/v1/briefs', { body }))
        : await ask(
            api.PUT('/api/v1/briefs/{brief_id}', {
              body,
              params: { path: { brief_id: id }, header: { 'If-Match': this.version } }
            })
          );
    this.version = saved.version;
    return saved.data.brief.id;
  }
}

function wishesOf(band: Schemas['BandChangeIn']): Wish[] {
  const low = band.good_low ?? band.hard_low;
  const high = band.good_high ?? band.hard_high;
  const found: Wish[] = [];
  if (low != null) found.push({ metric: band.metric, side: 'least', text: String(low) });
  if (high != null) found.push({ metric: band.metric, side: 'most', text: String(high) });
  return found;
}

function bandsOf(wishes: readonly Wish[], label: (name: string) => string): Schemas['BandChangeIn'][] {
  const bands = new Map<string, Schemas['BandChangeIn']>();
  for (const wish of wishes) {
    const value = optionalNumber(wish.text, label(wish.metric));
    if (value === null) continue;
    const band = bands.get(wish.metric) ?? { metric: wish.metric };
    bands.set(wish.metric, { ...band, [wish.side === 'least' ? 'good_low' : 'good_high']: value });
  }
  return [...bands.values()];
}
