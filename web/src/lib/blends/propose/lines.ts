import type { BandResult, Part, Schemas } from '../../api/client';

/** Wishes; what is left out is not wished. */
export type BriefWishes = Partial<Schemas['WishListIn']> & Pick<Schemas['WishListIn'], 'use'>;

/** One part of a proposal: as it would stand on the bench, with its share of the flour base in %. */
export interface ProposedPart extends Omit<Part, 'low_ratio' | 'high_ratio'> {
  name: string;
  role: string;
  in_flour_base: boolean;
  share_pct: number;
}

/** A limit that binds; one unit more of it changes the aim's number by `marginal`, in `unit`. */
export interface Binding {
  limit: string;
  side: string;
  say: string;
  marginal: number;
  unit: string;
}

/** A proposal as the search gives it. */
export interface Proposal {
  aim: Schemas['MoreIn']['aim'];
  label: string;
  parts: ProposedPart[];
  score: number;
  margin: number;
  tightest: string;
  value: number;
  unit: string;
  gap: number;
  not_looked_at: number;
  better_by: number | null;
  cost_per_kg: number | null;
  over_usual_most: string[];
  gives: string[];
  gives_up: string[];
  bags: { passes_pct: number; through_pct: number; weakest: string };
  binding: Binding[];
  sieves: BandResult[];
}

/** Says what is proven of a proposal where there are more flours than a search goes through. */
export function beside(p: Pick<Proposal, 'not_looked_at' | 'better_by'>): string {
  if (p.better_by === null) return 'Proven the best for its aim among the flours looked at.';
  if (p.better_by < 5e-4) return 'Proven the best for its aim, of all flours.';
  const most = (100 * p.better_by).toFixed(p.better_by < 0.095 ? 1 : 0);
  return `Proven: no blend of all flours is better for its aim by more than ${most} %.`;
}

/** What a limit would have to give at least, all others kept: by how much, and to what. */
export interface Give {
  limit: string;
  side: string;
  by: number;
  to: number;
  unit: string;
  say: string;
}

/** Wishes that cannot hold together. */
export interface Clash {
  say: string;
  limits: { limit: string; side: string; say: string }[];
  gives: Give[];
}

/** One line of the search. */
export interface Line {
  proposal?: Proposal;
  skipped?: { aim: string; label: string; why: string };
  conflict?: Clash;
  point?: Point;
  done?: boolean;
  notes?: string[];
  stopped?: boolean;
}

/** A blend on a trade-off, with the values of both aims. */
export interface Point extends Proposal {
  x: number;
  y: number;
}

/** Returns the layers of a proposal for a column: each part as % of the whole mix. */
export function layersOf(parts: readonly ProposedPart[]): (ProposedPart & { mix_pct: number })[] {
  const whole = parts.reduce((sum, p) => sum + p.mass_g, 0) || 1;
  return parts.map((p) => ({ ...p, mix_pct: (100 * p.mass_g) / whole }));
}
