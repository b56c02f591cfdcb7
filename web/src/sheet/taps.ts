/** Taps that wait until they are saved: kept by the browser, sent in their order, each under an id of its own. */

export interface Tap {
  id: string;
  quantity: string;
  /** In the quantity's unit; null: as planned. */
  value: number | null;
  arm: string;
  day: number;
  /** A tap taken back before it was sent is never sent. */
  back?: boolean;
}

export interface Keeping {
  getItem(key: string): string | null;
  setItem(key: string, text: string): void;
}

export type Send = (tap: Tap) => Promise<'saved' | 'refused' | 'out of reach'>;

export class Taps {
  readonly #key: string;
  readonly #keeping: Keeping;
  readonly #send: Send;
  readonly #told: () => void;
  #running = false;
  refused = '';

  constructor(key: string, keeping: Keeping, send: Send, told: () => void) {
    this.#key = `taps ${key}`;
    this.#keeping = keeping;
    this.#send = send;
    this.#told = told;
  }

  get waiting(): Tap[] {
    try {
      return JSON.parse(this.#keeping.getItem(this.#key) ?? '[]') as Tap[];
    } catch {
      return [];
    }
  }

  #keep(taps: Tap[]): void {
    this.#keeping.setItem(this.#key, JSON.stringify(taps));
    this.#told();
  }

  add(tap: Tap): Promise<void> {
    this.#keep([...this.waiting, tap]);
    return this.flush();
  }

  /** Sends what waits, the first first; stops at the first that cannot be reached. */
  async flush(): Promise<void> {
    if (this.#running) return;
    this.#running = true;
    try {
      for (let tap = this.waiting[0]; tap; tap = this.waiting[0]) {
        const sent = tap;
        const how = await this.#send(sent);
        if (how === 'out of reach') break;
        if (how === 'refused') this.refused = sent.id;
        this.#keep(this.waiting.filter((t) => t.id !== sent.id || Boolean(t.back) !== Boolean(sent.back)));
      }
    } finally {
      this.#running = false;
      this.#told();
    }
  }
}

/** What the next tap on a mark says: there, clearly, not there, and round again; a yes or no only has the two. */
export function nextMark(value: number | null, isFault: boolean): number {
  if (!isFault) return value === 1 ? 0 : 1;
  return value === null || value === 0 ? 1 : value === 1 ? 2 : 0;
}

export function markWord(value: number | null, isFault: boolean): string {
  if (value === null) return '';
  if (!isFault) return value === 1 ? 'yes' : 'no';
  return value === 0 ? 'not there' : value === 1 ? 'a little' : 'clearly';
}
