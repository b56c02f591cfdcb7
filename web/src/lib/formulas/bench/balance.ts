import { scaleLinear, type ScaleLinear } from 'd3-scale';
import type { FormulaJudgement } from '../types';

/** One stretch of a bar of the balance: how much of the flour it is, from where to where. */
export interface Stretch {
  key: string;
  name: string;
  role: string;
  pct: number;
  grams: number;
  from: number;
  to: number;
}

export interface Balance {
  sources: Stretch[];
  takers: Stretch[];
  /** The window in which the water may lie, % of flour; null where none is known. */
  window: { low: number; typical: number; high: number } | null;
  hydration: number;
  flour_g: number;
}

function stretches(
  rows: { key: string; name: string; role: string; pct: number }[],
  flour_g: number
): Stretch[] {
  let at = 0;
  return rows.map((row) => {
    const from = at;
    at += row.pct;
    return { ...row, grams: (row.pct / 100) * flour_g, from, to: at };
  });
}

/** Returns where the water of a formula comes from and where it goes, in % of flour; null without flour. */
export function balanceOf(j: FormulaJudgement): Balance | null {
  const { flour_g, lines, hydration_pct } = j.analysis;
  if (flour_g <= 0 || hydration_pct === null) return null;
  const bring = lines
    .filter((l) => l.in_dough && l.water_counts && (l.brings_g['water_g'] ?? 0) > 0)
    .map((l) => ({
      key: `${l.index}`,
      name: l.name,
      role: l.ingredient === 'water' ? 'water' : 'other',
      pct: (100 * (l.brings_g['water_g'] ?? 0)) / flour_g
    }))
    .sort((a, b) => b.pct - a.pct);
  const factor = j.wanted?.factor ?? 1;
  const take = j.prediction.takers.map((t) => ({
    key: t.ingredient,
    name: t.name,
    role: t.role,
    pct: t.water_pct * factor
  }));
  const w = j.wanted;
  return {
    sources: stretches(bring, flour_g),
    takers: stretches(take, flour_g),
    window: w ? { low: w.low_pct, typical: w.typical_pct, high: w.high_pct } : null,
    hydration: hydration_pct,
    flour_g
  };
}

/** Returns the scale of the balance on `width` px: from nothing to a little over all that has to be shown. */
export function balanceScale(b: Balance, width: number, also = 0): ScaleLinear<number, number> {
  const most = Math.max(b.hydration, b.window?.high ?? 0, b.takers.at(-1)?.to ?? 0, also, 10);
  return scaleLinear()
    .domain([0, most * 1.08])
    .range([0, width]);
}
