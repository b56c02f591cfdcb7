import { ownKey } from '../../begin/look';

/** Weighings that wait until they are kept: held by the browser under their own keys, sent once, in their order. */

export interface Waiting {
  key: string;
  batch_id: number;
  body: {
    ingredient: string;
    net_g: number;
    lot_id: number | null;
    gross_g: number;
    tare_g: number;
    typed: boolean;
    stable: boolean;
    why: string;
  };
}

export interface Keeping {
  getItem(key: string): string | null;
  setItem(key: string, text: string): void;
}

export type How = 'kept' | 'out of reach' | { refused: string };
export type Send = (waiting: Waiting) => Promise<How>;

export class WeighingQueue {
  readonly #name: string;
  readonly #keeping: Keeping;
  readonly #send: Send;
  #running: Promise<string> | null = null;

  constructor(batch_id: number, keeping: Keeping, send: Send) {
    this.#name = ownKey(`weighings ${batch_id}`);
    this.#keeping = keeping;
    this.#send = send;
  }

  get waiting(): Waiting[] {
    try {
      return JSON.parse(this.#keeping.getItem(this.#name) ?? '[]') as Waiting[];
    } catch {
      return [];
    }
  }

  /** Adds a weighing and sends what waits; returns what was refused, in words, or nothing. */
  add(waiting: Waiting): Promise<string> {
    this.#keep([...this.waiting, waiting]);
    return this.flush();
  }

  flush(): Promise<string> {
    this.#running ??= this.#all().finally(() => (this.#running = null));
    return this.#running;
  }

  async #all(): Promise<string> {
    let refused = '';
    for (let next = this.waiting[0]; next; next = this.waiting[0]) {
      const sent = next;
      const how = await this.#send(sent);
      if (how === 'out of reach') break;
      if (how !== 'kept') refused = how.refused;
      this.#keep(this.waiting.filter((w) => w.key !== sent.key));
    }
    return refused;
  }

  #keep(all: Waiting[]): void {
    this.#keeping.setItem(this.#name, JSON.stringify(all));
  }
}
