import { wordsOf } from '../../api/client';
import { follow } from '../../api/stream';
import type { Judgement } from '../../api/client';
import { layersOf, type Line, type Point, type Proposal } from './lines';
import type { Proposing } from './propose.svelte';

export type Aim = Proposal['aim'];

/** The aims that can be traded off, with what each is measured in and how the blend on the bench stands at it. */
export const AXES: readonly { name: Aim; label: string; unit: string; decimals: number }[] = [
  { name: 'cheapest', label: 'cost', unit: 'per kg', decimals: 2 },
  { name: 'most-fibre', label: 'fibre', unit: 'g/100 g', decimals: 1 },
  { name: 'most-protein', label: 'protein', unit: 'g/100 g', decimals: 1 },
  { name: 'mildest', label: 'flavour', unit: 'of 5', decimals: 2 },
  { name: 'lightest', label: 'lightness', unit: 'L*', decimals: 1 },
  { name: 'nearest', label: 'margin to the nearest edge', unit: 'band widths', decimals: 2 }
];

const METRICS: Partial<Record<Aim, string>> = {
  'most-fibre': 'fibre_pct',
  'most-protein': 'protein_pct',
  mildest: 'flavour_index',
  lightest: 'lightness_l'
};

/** Returns what a judged blend has on an axis; null where it is not known, or no axis of its own. */
export function standsAt(aim: Aim, judgement: Judgement | null): number | null {
  if (!judgement) return null;
  if (aim === 'cheapest') return judgement.analysis.cost_per_kg.typical ?? null;
  const metric = METRICS[aim];
  if (metric) return judgement.analysis.metrics[metric]?.typical ?? null;
  const margins = (judgement.fit?.bands ?? []).flatMap(({ band, estimate }) => {
    const width = band.good_high - band.good_low;
    if (estimate.typical === null || width <= 0) return [];
    return [(estimate.typical - band.good_low) / width, (band.good_high - estimate.typical) / width];
  });
  return margins.length ? Math.min(...margins) : null;
}

/** Returns the fits of a judged blend for one of several uses and for the worst of the others; null without. */
export function fitsBetween(use: string, judgement: Judgement | null): { x: number; y: number } | null {
  const each = judgement?.fit?.each ?? [];
  const own = each.find((u) => u.use === use)?.score ?? null;
  const others = each.flatMap((u) => (u.use === use || u.score === null ? [] : [u.score]));
  return own === null || !others.length ? null : { x: own, y: Math.min(...others) };
}

/** The trade-off between two aims, or between one use and the others, point by point. */
export class Sweeping {
  x = $state<Aim>('cheapest');
  y = $state<Aim>('most-fibre');
  /** One of several uses that is traded against the others; then it is no two aims. */
  against = $state('');
  points = $state.raw<readonly Point[]>([]);
  at = $state(-1);
  busy = $state(false);
  wrong = $state('');
  readonly search: Proposing;
  #stop: AbortController | null = null;

  constructor(search: Proposing) {
    this.search = search;
  }

  async run(): Promise<void> {
    this.stop();
    const mine = (this.#stop = new AbortController());
    this.points = [];
    this.at = -1;
    this.wrong = '';
    this.busy = true;
    try {
      const body = JSON.stringify({
        ...this.search.asked,
        ...(this.against ? { against: this.against } : { x: this.x, y: this.y })
      });
      const headers = { 'Content-Type': 'application/json' };
      const address = this.against ? '/api/v1/tradeoffs-between-uses' : '/api/v1/tradeoffs';
      const answer = await fetch(address, { method: 'POST', headers, body, signal: mine.signal });
      await follow<Line>(answer, (line) => {
        if (!line.point) return;
        const label = `point ${this.points.length + 1} of the curve`;
        this.points = [...this.points, { ...line.point, label }];
      });
    } catch (error) {
      if (this.#stop === mine && !(error instanceof DOMException)) this.wrong = wordsOf(error);
    } finally {
      if (this.#stop === mine) this.busy = false;
    }
  }

  stop(): void {
    this.#stop?.abort();
  }

  look(at: number): void {
    this.at = at;
    const point = this.points[at];
    this.search.bench.showMix(point ? `point ${at + 1}` : '', point ? layersOf(point.parts) : null);
  }
}
