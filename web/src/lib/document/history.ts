/** States that can be gone back to and forward again. Frozen values go in; they come out as they went in. */
export class History<T> {
  #past: T[] = [];
  #future: T[] = [];

  constructor(private readonly limit = 200) {}

  get canUndo(): boolean {
    return this.#past.length > 0;
  }

  get canRedo(): boolean {
    return this.#future.length > 0;
  }

  /** Notes the state before a change. */
  note(before: T): void {
    this.#past = [...this.#past.slice(-this.limit + 1), before];
    this.#future = [];
  }

  /** Returns the state before the last change, or null. */
  undo(now: T): T | null {
    return this.#step(this.#past, this.#future, now);
  }

  redo(now: T): T | null {
    return this.#step(this.#future, this.#past, now);
  }

  #step(from: T[], to: T[], now: T): T | null {
    const found = from.pop();
    if (found === undefined) return null;
    to.push(now);
    return found;
  }
}

interface Left {
  history: History<unknown>;
  content: unknown;
}

/** The histories of documents that were left, by their keys: undo goes on where it was when one comes back. */
const LEFT = new Map<string, Left>();
const MOST_LEFT = 20;

/** The history of a document that was left as it is found again; a new one where it was changed elsewhere meanwhile. */
export function historyOf<T>(key: string, content: T, same: (a: T, b: T) => boolean): History<T> {
  const left = LEFT.get(key);
  if (left && same(left.content as T, content)) return left.history as History<T>;
  LEFT.delete(key);
  return new History<T>();
}

/** Notes how a document stands, so that its history holds when it is left and found so again. */
export function leave<T>(key: string, history: History<T>, content: T): void {
  LEFT.delete(key);
  LEFT.set(key, { history: history as History<unknown>, content });
  const oldest = LEFT.keys().next().value;
  if (LEFT.size > MOST_LEFT && oldest !== undefined) LEFT.delete(oldest);
}
