import { api, ask, wordsOf, type Schemas } from '../../api/client';
import { Latest } from '../../ui/state/latest';
import { notices } from '../../ui/state/notices.svelte';
import { remembered } from '../../ui/state/remembered';

export type ShelfRow = Schemas['ShelfRowOut'];
export type Column = Schemas['Column'];
type Page = Schemas['ShelfOut'];
type Note = Schemas['NoteOut'];

/** Rows are fetched so many at a time. */
export const BLOCK = 100;

export interface Wanted {
  q: string;
  roles: string[];
  without: string[];
  diets: string[];
  traits: string[];
  in_stock: boolean;
  own: boolean;
  archived: boolean;
}

export interface View {
  basis: string;
  columns: string[];
  sort: string;
  descending: boolean;
}

const NOTHING: Wanted = {
  q: '',
  roles: [],
  without: [],
  diets: [],
  traits: [],
  in_stock: false,
  own: false,
  archived: false
};
const view = remembered<View>('fallow-shelf', { basis: '100g', columns: [], sort: '', descending: false });

/** The shelf as a list of any length: rows come in blocks as they are looked at. */
export class ShelfList {
  wanted = $state.raw<Wanted>(NOTHING);
  view = $state.raw<View>(view.read());
  total = $state(0);
  /** How many there are without a filter. */
  all = $state<number | null>(null);
  columns = $state.raw<Column[]>([]);
  scales = $state.raw<number[]>([]);
  basis = $state.raw<Page['basis'] | null>(null);
  blocks = $state.raw<ReadonlyMap<number, { rows: ShelfRow[]; notes: Note[] }>>(new Map());
  trouble = $state('');
  ready = $state(false);
  #asked = new Set<number>();
  #epoch = 0;
  readonly #first = new Latest<number, Page>(
    () => this.#fetch(0),
    (page) => this.#begin(page),
    (error) => (this.trouble = wordsOf(error))
  );

  readonly filtered = $derived(
    Object.values(this.wanted).some((v) =>
      Array.isArray(v) ? v.length : typeof v === 'string' ? v.trim() : v
    )
  );

  load(): void {
    this.#first.ask(++this.#epoch);
  }

  want(changes: Partial<Wanted>): void {
    this.wanted = { ...this.wanted, ...changes };
    this.load();
  }

  show(changes: Partial<View>): void {
    this.view = { ...this.view, ...changes };
    view.keep(this.view);
    this.load();
  }

  forget(): void {
    this.want(NOTHING);
  }

  row(at: number): { row: ShelfRow; notes: Note[] } | null {
    const block = this.blocks.get(Math.floor(at / BLOCK));
    const row = block?.rows[at % BLOCK];
    return block && row ? { row, notes: block.notes } : null;
  }

  /** Fetches what is not there yet of the rows from `first` up to `last`. */
  async look(first: number, last: number): Promise<void> {
    const epoch = this.#epoch;
    for (let n = Math.floor(first / BLOCK); n <= Math.floor(last / BLOCK); n++) {
      if (this.#asked.has(n) || n * BLOCK >= this.total) continue;
      this.#asked.add(n);
      try {
        const page = await this.#fetch(n * BLOCK);
        if (epoch !== this.#epoch) return;
        this.blocks = new Map([...this.blocks, [n, { rows: page.items, notes: page.notes }]]);
      } catch (error) {
        this.#asked.delete(n);
        this.trouble = wordsOf(error);
      }
    }
  }

  /** Notes a price per kg, and reads the rows in sight anew. */
  async setPrice(slug: string, per_kg: number): Promise<void> {
    const params = { path: { slug } };
    const { data } = await ask(api.PUT('/api/v1/ingredients/{slug}/price', { params, body: { per_kg } }));
    notices.say(data.say);
    await this.#again();
  }

  /** Fetches the blocks that are there once more, so that a change shows where it stands. */
  async #again(): Promise<void> {
    const epoch = this.#epoch;
    const pages = await Promise.all(
      [...this.blocks.keys()].map(async (n) => [n, await this.#fetch(n * BLOCK)] as const)
    );
    if (epoch !== this.#epoch) return;
    this.blocks = new Map(pages.map(([n, page]) => [n, { rows: page.items, notes: page.notes }]));
    if (pages[0]) this.scales = pages[0][1].scales;
  }

  #begin(page: Page): void {
    this.#asked = new Set([0]);
    this.blocks = new Map([[0, { rows: page.items, notes: page.notes }]]);
    this.total = page.total;
    if (!this.filtered) this.all = page.total;
    this.columns = page.columns;
    this.scales = page.scales;
    this.basis = page.basis;
    this.trouble = '';
    this.ready = true;
  }

  async #fetch(cursor: number): Promise<Page> {
    const { wanted: w, view: v } = this;
    const flag = (on: boolean): '0' | '1' => (on ? '1' : '0');
    const query = {
      q: w.q,
      roles: w.roles.join(','),
      without: w.without.join(','),
      diets: w.diets.join(','),
      traits: w.traits.join(','),
      in_stock: flag(w.in_stock),
      own: flag(w.own),
      archived: flag(w.archived),
      basis: v.basis,
      columns: v.columns.join(','),
      descending: flag(v.descending),
      ...(v.sort ? { sort: v.sort } : {}),
      cursor,
      limit: BLOCK
    };
    return (await ask(api.GET('/api/v1/shelf', { params: { query } }))).data;
  }
}
