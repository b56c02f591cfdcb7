import type { Judgement, Schemas } from '../../api/client';
import { figure, money, spaced, temperature } from '../../ui/format';

type Settings = Schemas['KitchenOut'];

/** The lines that would go on the bag, in words: each a label, what it says, and a smaller remark. */
export interface BagItem {
  label: string;
  say: string;
  also: string;
}

export function cost(j: Judgement, s: Settings): BagItem {
  const e = j.analysis.cost_per_kg;
  const known = e.known_mass_pct > 99.999;
  if (e.typical === null) return { label: 'cost', say: 'unknown', also: 'no prices' };
  const say = `${known ? '' : 'at least '}${money(e.typical, s.currency)} per kg`;
  return { label: 'cost', say, also: known ? '' : `${figure(e.known_mass_pct, 0)} % priced` };
}

export function cup(j: Judgement): BagItem {
  const e = j.analysis.metrics.cup_g;
  if (!e || e.typical === null) return { label: 'a cup', say: 'unknown', also: 'a part has no density' };
  return {
    label: 'a cup',
    say: `${figure(e.typical, 0)} g`,
    also: `${figure(e.low, 0)}–${figure(e.high, 0)}`
  };
}

export function contains(j: Judgement): BagItem {
  return { label: 'contains', say: j.contains.map(spaced).join(', ') || 'none recorded', also: '' };
}

export function gluten(j: Judgement): BagItem {
  const g = j.gluten;
  if (g.status === 'contains') return { label: 'gluten', say: 'contains gluten', also: '' };
  const count = g.unknown_parts.length;
  const known = figure(g.known_mg_per_kg, 1);
  if (g.status === 'unknown') {
    return { label: 'gluten', say: 'unknown', also: `${count} untested, the rest up to ${known} mg/kg` };
  }
  return { label: 'gluten', say: `up to ${known} mg/kg`, also: 'declared or tested' };
}

export function keeps(j: Judgement, s: Settings): BagItem {
  const k = j.keeping;
  if (k.months === null) return { label: 'keeps', say: 'unknown', also: '' };
  const range = `${figure(k.months_low, 1)}–${figure(k.months_high, 1)}`;
  return {
    label: `keeps at ${temperature(k.temp_c, s.temp_unit)}`,
    say: `${figure(k.months, 1)} months`,
    also: range
  };
}

export function energy(j: Judgement, s: Settings): BagItem {
  const unit = s.energy_unit === 'kj' ? 'kJ' : 'kcal';
  const e = j.analysis.nutrients[`energy_${s.energy_unit}`];
  if (!e || e.typical === null) return { label: 'energy per 100 g', say: 'unknown', also: '' };
  const least = e.known_mass_pct > 99.999 ? '' : 'at least ';
  return { label: 'energy per 100 g', say: `${least}${figure(e.typical, 0)} ${unit}`, also: '' };
}

/** Returns what the judgement rests on in %, the surest first: by weight in the fit, by mass where there is no use. */
export function restsBy(j: Judgement): [string, number][] {
  const by = j.rests ? { ...j.rests.by_quality, taste: j.rests.taste_pct } : j.analysis.rests_on_pct;
  return Object.entries(by).filter(([, pct]) => pct >= 0.5);
}

/** Says what the judgement rests on. */
export function restsOn(j: Judgement): string {
  const words: Record<string, string> = { 'by-difference': 'by difference', estimate: 'estimated' };
  return restsBy(j)
    .map(([kind, pct]) => `${figure(pct, 0)} % ${words[kind] ?? kind}`)
    .join(' · ');
}

export function bagItems(j: Judgement, s: Settings): BagItem[] {
  return [cost(j, s), cup(j), contains(j), gluten(j), keeps(j, s), energy(j, s)];
}
