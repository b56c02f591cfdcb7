import { ownKey } from '../begin/look';
import { ProblemError } from '../api/client';

export type SaveState = 'saved' | 'saving' | 'waiting' | 'conflict';

const PAUSE_MS = 300;
const RETRY_MS = 3000;

/** Where drafts go: under which name they are kept in this browser, how they are sent, and when two are the same. */
export interface Port<Working extends object, Draft extends { version: number }> {
  readonly key: string;
  put(working: Working, version: number, keepalive: boolean): Promise<Draft>;
  same(draft: Draft, working: Working): boolean;
}

/** Words for how a draft is saved. */
export const SAVE_WORDS: Record<SaveState, string> = {
  saved: 'saved',
  saving: 'saving …',
  waiting: 'not saved yet: the kitchen does not answer; kept in this browser',
  conflict: 'not saved: changed somewhere else'
};

/**
 * Saves one draft as it is changed. Each change is first kept in this browser, then sent; what could
 * not be sent is sent again, also after a reload. A draft that someone else saved in between is never overwritten.
 */
export class Autosave<Working extends object, Draft extends { version: number }> {
  state = $state<SaveState>('saved');
  /** The other draft, where someone else saved in between. */
  theirs = $state.raw<Draft | null>(null);
  #version: number;
  #pending: Working | null = null;
  #sending = false;
  #timer: ReturnType<typeof setTimeout> | undefined;
  readonly #key: string;

  constructor(
    private readonly port: Port<Working, Draft>,
    draft: Draft
  ) {
    this.#version = draft.version;
    this.#key = ownKey(`fallow-sieve.${port.key}`);
  }

  get version(): number {
    return this.#version;
  }

  /** Returns what this browser holds that was never saved; a conflict where the server holds another version. */
  unsaved(): Working | null {
    const text = localStorage.getItem(this.#key);
    if (!text) return null;
    try {
      const kept = JSON.parse(text) as Working & { version: number };
      if (kept.version !== this.#version) {
        this.#pending = kept;
        // Still based on what it was based on, so that it stays a conflict after another reload too.
        this.#version = kept.version;
        this.state = 'conflict';
      }
      return kept;
    } catch {
      localStorage.removeItem(this.#key);
      return null;
    }
  }

  /** Keeps a change and sees to it that it is saved. */
  note(working: Working): void {
    this.#pending = working;
    this.#keepHere();
    if (this.state === 'conflict') return;
    this.state = 'saving';
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.flush(), PAUSE_MS);
  }

  /** Sends what is pending; returns whether everything is saved. */
  async flush(): Promise<boolean> {
    clearTimeout(this.#timer);
    while (this.#sending) await new Promise((resolve) => setTimeout(resolve, 20));
    const working = this.#pending;
    if (!working) return this.state === 'saved';
    if (this.state === 'conflict') return false;
    this.#sending = true;
    try {
      const saved = await this.port.put(working, this.#version, false);
      this.#version = saved.version;
      if (this.#pending === working) this.#pending = null;
    } catch (error) {
      this.#failed(error);
      return false;
    } finally {
      this.#sending = false;
    }
    if (this.#pending) return this.flush();
    localStorage.removeItem(this.#key);
    this.state = 'saved';
    return true;
  }

  /** Goes on from a draft that the server holds now (after a revision was kept, or theirs was taken). */
  adopt(draft: Draft): void {
    clearTimeout(this.#timer);
    this.#version = draft.version;
    this.#pending = null;
    this.theirs = null;
    this.state = 'saved';
    localStorage.removeItem(this.#key);
  }

  /** Saves over the other draft, which has been looked at. */
  async overwrite(): Promise<boolean> {
    if (this.theirs) this.#version = this.theirs.version;
    this.theirs = null;
    this.state = 'saving';
    return this.flush();
  }

  /** Sends what is pending while the page goes away. */
  leave(): void {
    clearTimeout(this.#timer);
    if (this.#pending && this.state !== 'conflict')
      void this.port.put(this.#pending, this.#version, true).catch(() => undefined);
  }

  #failed(error: unknown): void {
    if (error instanceof ProblemError && error.status === 412) {
      const other = error.current as Draft;
      // An answer lost on the way: the server holds what we sent, so go on from there.
      if (this.#pending && this.port.same(other, this.#pending)) {
        this.adopt(other);
        return;
      }
      this.theirs = other;
      this.state = 'conflict';
      return;
    }
    this.state = 'waiting';
    this.#timer = setTimeout(() => void this.flush(), RETRY_MS);
  }

  #keepHere(): void {
    if (!this.#pending) return;
    const kept = { ...this.#pending, version: this.#version };
    try {
      localStorage.setItem(this.#key, JSON.stringify(kept));
    } catch {
      // A full or forbidden local store: the server's copy still follows in a moment.
    }
  }
}
