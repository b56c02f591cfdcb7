import { api, ask, wordsOf } from '../../api/client';
import { follow } from '../../api/stream';
import type { Bench } from '../bench/bench.svelte';
import { weighed } from '../bench/moves';
import { kitchen } from '../../app/kitchen.svelte';
import { layersOf, type BriefWishes, type Clash, type Give, type Line, type Proposal } from './lines';
import { asWhy, phrases, relaxed, withValue, without, type Wish } from './wishes';

/** The search for blends beside the bench: the wishes, what is found for them, and the one under the pointer. */
export class Proposing {
  wishes = $state.raw<BriefWishes | null>(null);
  proposals = $state.raw<readonly Proposal[]>([]);
  clashes = $state.raw<readonly Clash[]>([]);
  skipped = $state.raw<readonly NonNullable<Line['skipped']>[]>([]);
  notes = $state.raw<readonly string[]>([]);
  library = $state(false);
  busy = $state(false);
  /** Whether what is shown was found for the wishes as they stand. */
  fresh = $state(false);
  stopped = $state(false);
  at = $state(-1);
  wrong = $state('');
  readonly bench: Bench;
  #stop: AbortController | null = null;

  constructor(bench: Bench) {
    this.bench = bench;
  }

  readonly lines = $derived.by(() => (this.wishes ? phrases(this.wishes, this.#words) : []));
  readonly chosen = $derived(this.proposals[this.at] ?? null);

  get #words(): Parameters<typeof phrases>[1] {
    return {
      nameOf: (slug) => this.bench.nameOf(slug),
      metric: (name) => kitchen.metric(name),
      useName: (slug) => kitchen.useName(slug),
      currency: kitchen.settings?.currency ?? ''
    };
  }

  /** Lays the wishes out, as the brief, the locks and the binder on the bench have them. */
  async begin(): Promise<void> {
    const { use } = this.bench;
    const { brief_id } = this.bench.head;
    if (!use) return;
    try {
      const body = { parts: [...this.bench.parts], use, brief_id };
      this.wishes = (await ask(api.POST('/api/v1/wishes', { body }))).data;
      this.fresh = false;
    } catch (error) {
      this.wrong = wordsOf(error);
    }
  }

  change(wishes: BriefWishes): void {
    this.wishes = wishes;
    this.fresh = false;
  }

  drop(key: string): void {
    if (this.wishes) this.change(without(this.wishes, key));
  }

  set(key: string, value: number): void {
    if (this.wishes) this.change(withValue(this.wishes, key, value));
  }

  /** Seeks by these aims, in their order; nearest the use where none is left. */
  aim(aims: NonNullable<BriefWishes['aims']>): void {
    if (this.wishes) this.change({ ...this.wishes, aims: aims.length ? aims : ['nearest'] });
  }

  async relax(give: Give): Promise<void> {
    if (!this.wishes) return;
    this.change(relaxed(this.wishes, give));
    await this.search();
  }

  get asked(): { wishes: BriefWishes; parts: Bench['parts'][number][]; library: boolean } {
    return { wishes: this.wishes!, parts: [...this.bench.parts], library: this.library };
  }

  /** Searches; each proposal stands there as soon as it is found. */
  async search(): Promise<void> {
    if (!this.wishes) return;
    this.stop();
    const mine = (this.#stop = new AbortController());
    this.proposals = this.clashes = this.skipped = this.notes = [];
    this.at = -1;
    this.wrong = '';
    this.busy = this.fresh = true;
    this.stopped = false;
    try {
      const body = JSON.stringify(this.asked);
      const headers = { 'Content-Type': 'application/json' };
      const answer = await fetch('/api/v1/proposals', { method: 'POST', headers, body, signal: mine.signal });
      await follow<Line>(answer, (line) => this.#take(line));
    } catch (error) {
      const left = error instanceof DOMException && error.name === 'AbortError';
      if (this.#stop === mine) {
        this.wrong = left ? '' : wordsOf(error);
        this.stopped = left;
      }
    } finally {
      if (this.#stop === mine) this.busy = false;
    }
  }

  #take(line: Line): void {
    if (line.proposal) this.proposals = [...this.proposals, line.proposal];
    if (line.conflict) this.clashes = [...this.clashes, line.conflict];
    if (line.skipped) this.skipped = [...this.skipped, line.skipped];
    if (line.notes) this.notes = line.notes;
    this.stopped = line.stopped ?? false;
  }

  stop(): void {
    this.#stop?.abort();
  }

  /** Looks at one: it stands beside the column as long as it does. */
  look(at: number): void {
    this.at = at;
    const proposal = this.proposals[at];
    this.bench.showMix(proposal?.label ?? '', proposal ? layersOf(proposal.parts) : null);
  }

  /** Puts a proposal on the bench, as one step of undo, and keeps it as a revision with the wishes as its why. */
  async take(proposal: Proposal): Promise<void> {
    const parts = proposal.parts.map((p) =>
      weighed(p.ingredient, p.mass_g, { locked: p.locked, lot_id: p.lot_id })
    );
    this.look(-1);
    this.bench.learn(proposal.parts.map((p) => [p.ingredient, p]));
    this.bench.setParts(parts);
    await this.bench.keep(this.why(proposal, this.lines));
  }

  why(proposal: Proposal, wishes: readonly Wish[]): string {
    return asWhy(proposal.label, kitchen.useName(this.wishes?.use), wishes);
  }
}
