import { shortName, spaced } from '../../ui/format';
import type { BriefWishes, Give } from './lines';

/** One wish as a line: words before and after a number that can be typed over, and its key to drop it by. */
export interface Wish {
  key: string;
  before: string;
  value: number | null;
  after: string;
}

interface Words {
  nameOf: (slug: string) => string;
  metric: (name: string) => { label: string; unit: string };
  useName: (slug: string) => string;
  currency: string;
}

const SIDES = ['hard_low', 'good_low', 'good_high', 'hard_high'] as const;
type Side = (typeof SIDES)[number];

const BAG_WORDS: Record<NonNullable<BriefWishes['bag']>, string> = {
  flours: 'flours alone',
  'flours with binder': 'flours with binder',
  'self-raising': 'a self-raising bag',
  complete: 'a complete mix'
};

/** Returns the wishes as lines, in the order in which one would say them. */
export function phrases(w: BriefWishes, words: Words): Wish[] {
  const name = (slug: string): string => words.nameOf(slug).toLowerCase();
  const found: Wish[] = [];
  const add = (key: string, before: string, value: number | null = null, after = ''): void => {
    found.push({ key, before, value, after });
  };
  for (const u of w.uses ?? [])
    add(`uses/${u.use}`, `for ${shortName(words.useName(u.use)).toLowerCase()} ×`, u.weight ?? 1);
  for (const mark of w.exclude_allergens ?? []) add(`exclude_allergens/${mark}`, `without ${spaced(mark)}`);
  for (const slug of w.exclude ?? []) add(`exclude/${slug}`, `without ${name(slug)}`);
  for (const diet of w.diets ?? []) add(`diets/${diet}`, spaced(diet));
  for (const band of w.bands ?? []) {
    const { label, unit } = words.metric(band.metric);
    for (const side of SIDES) {
      const value = band[side];
      if (value === null || value === undefined) continue;
      const most = side.endsWith('high');
      const must = side.startsWith('hard') ? ', without fail' : '';
      add(
        `band/${band.metric}/${side}`,
        `${most ? 'at most' : 'at least'}`,
        value,
        `${unit} ${label.toLowerCase()}${must}`
      );
    }
  }
  if (w.max_bins != null) add('max_bins', 'at most', w.max_bins, 'bins of flour');
  if (w.price_cap_per_kg != null) {
    add('price_cap_per_kg', 'at most', w.price_cap_per_kg, `${words.currency} per kg`.trim());
  }
  if (w.gluten_cap_mg_per_kg != null) {
    add(
      'gluten_cap_mg_per_kg',
      'gluten at most',
      w.gluten_cap_mg_per_kg,
      'mg/kg by test; unknown is not allowed'
    );
  }
  if (w.bag) add('bag', BAG_WORDS[w.bag]);
  if (w.max_gum_pct != null) add('max_gum_pct', 'gums at most', w.max_gum_pct, '% of flour');
  for (const [slug, share] of Object.entries(w.lock ?? {}))
    add(`lock/${slug}`, `${name(slug)} locked at`, share, '%');
  for (const [slug, share] of Object.entries(w.require ?? {})) {
    add(`require/${slug}`, `${name(slug)} at least`, share.min_pct ?? 3, '%');
  }
  for (const slug of w.use_up ?? []) add(`use_up/${slug}`, `using up ${name(slug)}`);
  for (const [slug, dose] of Object.entries(w.binder ?? {})) {
    add(`binder/${slug}`, `with ${name(slug)},`, dose, '% of flour');
  }
  if (w.binder_apart) add('binder_apart', 'the binder kept apart from the bag');
  if (w.in_stock) add('in_stock', 'from what is in stock for a batch of', w.batch_g ?? 1000, 'g');
  if (w.robust) add('robust', 'certain: hard limits hold at the 95 % end of every range');
  return found;
}

/** Returns the wishes with one of them dropped. */
export function without(w: BriefWishes, key: string): BriefWishes {
  const [kind = '', name = '', side = ''] = key.split('/');
  if (kind === 'uses') return withoutUse(w, name);
  switch (kind) {
    case 'exclude_allergens':
    case 'exclude':
    case 'diets':
    case 'use_up':
      return { ...w, [kind]: (w[kind] ?? []).filter((x) => x !== name) };
    case 'lock':
    case 'require':
    case 'binder':
      return {
        ...w,
        [kind]: Object.fromEntries(Object.entries(w[kind] ?? {}).filter(([slug]) => slug !== name))
      };
    case 'band':
      return { ...w, bands: bandsWith(w, name, side as Side, null) };
    case 'in_stock':
      return { ...w, in_stock: false, batch_g: null };
    case 'robust':
    case 'binder_apart':
      return { ...w, [kind]: false };
    default:
      return { ...w, [kind]: null };
  }
}

/** Without one of several uses: the mix is for the others, and where one is left for that alone. */
function withoutUse(w: BriefWishes, use: string): BriefWishes {
  const left = (w.uses ?? []).filter((u) => u.use !== use);
  const first = left.some((u) => u.use === w.use) ? w.use : (left[0]?.use ?? w.use);
  return { ...w, use: first, uses: left.length > 1 ? left : [] };
}

/** Returns the wishes with the number of one of them set. */
export function withValue(w: BriefWishes, key: string, value: number): BriefWishes {
  const [kind = '', name = '', side = ''] = key.split('/');
  if (kind === 'band') return { ...w, bands: bandsWith(w, name, side as Side, value) };
  if (kind === 'uses')
    return { ...w, uses: (w.uses ?? []).map((u) => (u.use === name ? { ...u, weight: value } : u)) };
  if (kind === 'lock' || kind === 'binder') return { ...w, [kind]: { ...w[kind], [name]: value } };
  if (kind === 'require')
    return { ...w, require: { ...w.require, [name]: { ...w.require?.[name], min_pct: value } } };
  if (kind === 'in_stock') return { ...w, in_stock: true, batch_g: value };
  return { ...w, [kind]: kind === 'max_bins' ? Math.round(value) : value };
}

function bandsWith(w: BriefWishes, metric: string, side: Side, value: number | null): BriefWishes['bands'] {
  const bands = w.bands ?? [];
  const old = bands.find((b) => b.metric === metric) ?? { metric };
  const changed = { ...old, [side]: value };
  const rest = bands.filter((b) => b.metric !== metric);
  return SIDES.some((s) => changed[s] != null) ? [...rest, changed] : rest;
}

/** Rounds a limit to what a person would type, away from the clash. */
function loosely(value: number, by: number): number {
  const step = Math.abs(value) >= 20 ? 1 : 0.1;
  const steps = value / step;
  return Number(((by < 0 ? Math.floor(steps + 1e-6) : Math.ceil(steps - 1e-6)) * step).toFixed(2));
}

/** Returns the wishes with one limit let out by as much as it has to give, or dropped where it is no number. */
export function relaxed(w: BriefWishes, give: Give): BriefWishes {
  const [kind = ''] = give.limit.split('/');
  if (['exclude_allergens', 'exclude', 'diets', 'use_up', 'stock'].includes(kind)) {
    return kind === 'stock' ? without(w, 'in_stock') : without(w, give.limit);
  }
  const to = loosely(give.to, give.by);
  if (kind === 'lock') return withValue(w, give.limit, Number(give.to.toFixed(2)));
  if (kind === 'require')
    return give.side === 'low' && to <= 0 ? without(w, give.limit) : withValue(w, give.limit, to);
  if (kind === 'max_bins' || kind.endsWith('_per_kg')) return withValue(w, kind, to);
  return withValue(w, `band/${give.limit}/hard_${give.side}`, to);
}

/** Returns what a limit must give as the words of a button. */
export function relaxWords(give: Give, say: string, words: Pick<Words, 'metric'>): string {
  const [kind = ''] = give.limit.split('/');
  const to = loosely(give.to, give.by);
  if (kind === 'max_bins') return `Allow ${to} bins`;
  if (kind === 'price_cap_per_kg') return `Allow ${to.toFixed(2)} per kg`;
  if (kind === 'gluten_cap_mg_per_kg') return `Allow ${to} mg/kg of gluten`;
  if (['exclude', 'exclude_allergens', 'diets', 'use_up', 'stock'].includes(kind)) return `Drop “${say}”`;
  if (kind === 'lock' || kind === 'require')
    return `${give.to.toFixed(0)} % of ${spaced(give.limit.split('/')[1] ?? '')}`;
  const { label, unit } = words.metric(give.limit);
  return `Allow ${label.toLowerCase()} ${give.side === 'low' ? 'down' : 'up'} to ${to} ${unit}`;
}

/** Returns the wishes in one line: the why of a revision that was taken from a proposal. */
export function asWhy(label: string, use: string, wishes: readonly Wish[]): string {
  const said = wishes.map((p) => [p.before, p.value ?? '', p.after].filter((x) => x !== '').join(' '));
  return `Proposed: ${label}, for ${use}${said.length ? `; ${said.join('; ')}` : ''}.`.slice(0, 500);
}
