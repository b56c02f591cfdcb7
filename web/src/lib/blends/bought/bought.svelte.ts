import { api, ask, wordsOf, type Schemas } from '../../api/client';
import { Latest } from '../../ui/state/latest';
import { remembered } from '../../ui/state/remembered';

interface Kept {
  list: string;
  panel: string;
  use: string | null;
  chosen: Record<string, string>;
}
type Opened = Schemas['BoughtBagOut'];
type Like = Schemas['LikeOut'];

/** A bought mix: its list and panel as typed, what is in it, and a mix like it from one's own bins. */
export class Bought {
  list = $state('');
  panel = $state('');
  use = $state<string | null>(null);
  chosen = $state.raw<Record<string, string>>({});
  opened = $state.raw<Opened | null>(null);
  like = $state.raw<Like | null>(null);
  /** What a mix like it is to do without, and whether it is to cost less. */
  without = $state.raw<readonly string[]>([]);
  cheaper = $state(false);
  busy = $state(false);
  trouble = $state('');
  cannot = $state('');
  readonly #kept = remembered<Kept>('fallow-sieve.bag', { list: '', panel: '', use: null, chosen: {} });
  readonly #asking = new Latest<Kept, Opened>(
    async (body) => (await ask(api.POST('/api/v1/bags/open', { body }))).data,
    (found) => {
      this.opened = found;
      this.trouble = '';
    },
    (error) => (this.trouble = wordsOf(error)),
    150
  );

  constructor() {
    Object.assign(this, this.#kept.read());
  }

  /** Opens the bag anew; what was typed stays in this browser. */
  work(): void {
    const { list, panel, use, chosen } = this;
    this.#kept.keep({ list, panel, use, chosen });
    if (list.trim()) this.#asking.ask({ list, panel, use, chosen });
    else {
      this.#asking.forget();
      this.opened = null;
    }
  }

  /** Takes another list; what was chosen for names of the one before does not belong to it, nor does a mix like it. */
  write(list: string): void {
    this.chosen = {};
    this.without = [];
    this.like = null;
    this.list = list;
  }

  choose(place: number, slug: string): void {
    this.chosen = { ...this.chosen, [place]: slug };
  }

  leave(slug: string, out: boolean): void {
    this.without = out ? [...this.without, slug] : this.without.filter((s) => s !== slug);
  }

  /** Looks for the mix of one's own bins that is most like what is in the bag. */
  async makeAlike(): Promise<void> {
    const { opened, use, without, cheaper } = this;
    if (!opened || !use) return;
    this.busy = true;
    this.cannot = '';
    try {
      const body = { parts: opened.parts, use, without: [...without], cheaper };
      this.like = (await ask(api.POST('/api/v1/bags/alike', { body }))).data;
    } catch (error) {
      this.like = null;
      this.cannot = wordsOf(error);
    } finally {
      this.busy = false;
    }
  }
}
