import { remembered } from '../../ui/state/remembered';

export const MOST = 6;
const store = remembered<{ slugs: [string, string][] }>('fallow-tray', { slugs: [] });

/** The flours laid out to be put side by side: at most six. */
class Tray {
  all = $state.raw<readonly [string, string][]>(store.read().slugs.slice(0, MOST));

  has(slug: string): boolean {
    return this.all.some(([s]) => s === slug);
  }

  get full(): boolean {
    return this.all.length >= MOST;
  }

  toggle(slug: string, name: string): void {
    if (this.has(slug)) this.#keep(this.all.filter(([s]) => s !== slug));
    else if (!this.full) this.#keep([...this.all, [slug, name]]);
  }

  empty(): void {
    this.#keep([]);
  }

  #keep(all: readonly [string, string][]): void {
    this.all = all;
    store.keep({ slugs: [...all] });
  }
}

export const tray = new Tray();
