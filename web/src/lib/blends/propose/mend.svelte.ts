import { api, ask, wordsOf, type Schemas } from '../../api/client';
import type { Bench } from '../bench/bench.svelte';

type Option = Schemas['MendOption'];

/** The smallest changes with which the blend passes; each can be looked at beside the column, and applied. */
export class Mending {
  answer = $state.raw<Schemas['MendAnswer'] | null>(null);
  busy = $state(false);
  wrong = $state('');
  readonly bench: Bench;

  constructor(bench: Bench) {
    this.bench = bench;
  }

  async ask(): Promise<void> {
    const { use } = this.bench;
    const { brief_id } = this.bench.head;
    if (!use) return;
    this.busy = true;
    this.wrong = '';
    try {
      const body = { parts: [...this.bench.parts], use, brief_id, touch: 3 };
      this.answer = (await ask(api.POST('/api/v1/mend', { body }))).data;
    } catch (error) {
      this.wrong = wordsOf(error);
    } finally {
      this.busy = false;
    }
  }

  close(): void {
    this.answer = null;
    this.bench.showMix('', null);
  }

  /** Draws what an option leads to beside the column. */
  look(option: Option | null): void {
    if (!option) return this.bench.showMix('', null);
    const whole = option.parts.reduce((sum, p) => sum + p.mass_g, 0) || 1;
    const named = new Map(option.changes.map((c) => [c.what, c.label]));
    const layers = option.parts.map((p) => ({
      ingredient: p.ingredient,
      name: named.get(p.ingredient) ?? this.bench.nameOf(p.ingredient),
      role: this.bench.roleOf(p.ingredient),
      mix_pct: (100 * p.mass_g) / whole
    }));
    this.bench.showMix('mended', layers);
  }

  /** Applies an option, as one step of undo. */
  apply(option: Option): void {
    this.close();
    this.bench.setParts(option.parts);
  }
}
