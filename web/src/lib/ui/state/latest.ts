/**
 * Runs one piece of work at a time; of what is asked meanwhile only the newest is run when it ends. So a hand that
 * drags is answered as fast as answers come, and a stale answer never follows a newer one.
 */
export class Latest<I, O> {
  #running = false;
  #waiting: { input: I } | null = null;

  constructor(
    private readonly work: (input: I) => Promise<O>,
    private readonly onresult: (result: O, input: I) => void,
    private readonly onerror: (error: unknown, input: I) => void,
    /** At least so long between two starts, so that a frame is not filled with answers. */
    private readonly pause_ms = 0
  ) {}

  ask(input: I): void {
    this.#waiting = { input };
    if (!this.#running) void this.#run();
  }

  /** Forgets what waits; an answer under way is dropped too. */
  forget(): void {
    this.#waiting = null;
    this.#epoch++;
  }

  #epoch = 0;

  async #run(): Promise<void> {
    this.#running = true;
    while (this.#waiting) {
      const { input } = this.#waiting;
      const epoch = this.#epoch;
      this.#waiting = null;
      const pause = this.pause_ms ? new Promise((done) => setTimeout(done, this.pause_ms)) : null;
      try {
        const result = await this.work(input);
        if (epoch === this.#epoch) this.onresult(result, input);
      } catch (error) {
        if (epoch === this.#epoch) this.onerror(error, input);
      }
      if (pause) await pause;
    }
    this.#running = false;
  }
}
