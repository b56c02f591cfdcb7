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
