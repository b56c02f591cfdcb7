import { wordsOf, type BriefSummary } from '../api/client';
import { current } from '../app/current.svelte';
import { undoing, type Undoable } from '../app/undo.svelte';

/** What stands on a bench: it saves itself, its changes can be taken back, and it may work for a brief. */
export interface OnBench extends Undoable {
  readonly brief: BriefSummary | null;
  readonly save: { leave(): void };
}

/** Opens what a page puts on its bench: only the newest that was asked for, and what stood there is saved as it goes. */
export class Opening<B extends OnBench> {
  bench = $state.raw<B | null>(null);
  trouble = $state('');
  #asked = 0;

  constructor(private readonly make: (id: number) => Promise<B>) {}

  async load(id: string): Promise<void> {
    const mine = ++this.#asked;
    this.bench?.save.leave();
    this.bench = null;
    this.trouble = '';
    try {
      const made = await this.make(Number(id));
      if (mine !== this.#asked) return;
      this.bench = made;
      undoing.on = made;
      current.brief = made.brief;
    } catch (error) {
      this.trouble = wordsOf(error);
    }
  }

  /** Lets go of it, as the page is left. */
  close(): void {
    this.#asked++;
    this.bench?.save.leave();
    undoing.on = null;
    current.brief = null;
  }
}
