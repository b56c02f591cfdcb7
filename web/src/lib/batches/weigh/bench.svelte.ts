import { api, ask, ProblemError, wordsOf, type Schemas } from '../../api/client';
import { enough, Steady } from './steady';
import { WeighingQueue, type How, type Waiting } from './queue';

const EVERY_MS = 100;

/** The scale while a batch is weighed: read ten times a second, and whether it stands still by its last readings. */
export class WeighBench {
  shown = $state.raw<Schemas['ScaleOut'] | null>(null);
  agree = $state(0);
  trouble = $state('');
  waiting = $state(0);
  readonly #steady = new Steady();
  readonly queue: WeighingQueue;
  #timer: ReturnType<typeof setTimeout> | undefined;
  #stopped = false;

  constructor(batch_id: number) {
    this.queue = new WeighingQueue(batch_id, localStorage, send);
    this.waiting = this.queue.waiting.length;
  }

  get still(): boolean {
    return enough(this.agree) && !this.shown?.overload;
  }

  /** Reads over and over until the returned function is called. */
  watch(): () => void {
    this.#stopped = false;
    void this.#again();
    return () => {
      this.#stopped = true;
      clearTimeout(this.#timer);
    };
  }

  async #again(): Promise<void> {
    if (!document.hidden) await this.#take(ask(api.GET('/api/v1/devices/scale')));
    if (!this.#stopped) this.#timer = setTimeout(() => void this.#again(), EVERY_MS);
  }

  tare(): Promise<void> {
    return this.#take(ask(api.POST('/api/v1/devices/scale/tare')));
  }

  /** Lets flour run onto the simulated scale; 0 stops it. */
  stream(g_per_s: number): Promise<void> {
    return this.#take(ask(api.PUT('/api/v1/devices/scale/stream', { body: { g_per_s } })));
  }

  async #take(asked: Promise<{ data: Schemas['ScaleOut'] }>): Promise<void> {
    try {
      const found = (await asked).data;
      this.agree = this.#steady.see(found.mass_g, found.stable, found.readability_g);
      this.shown = found;
      this.trouble = '';
      if (this.waiting) await this.flush();
    } catch (error) {
      this.trouble = wordsOf(error);
    }
  }

  /** Keeps a weighing; returns what was refused in words, or nothing. */
  async weigh(waiting: Waiting): Promise<string> {
    const refused = await this.queue.add(waiting);
    this.waiting = this.queue.waiting.length;
    return refused;
  }

  async flush(): Promise<void> {
    await this.queue.flush();
    this.waiting = this.queue.waiting.length;
  }
}

async function send(w: Waiting): Promise<How> {
  const params = { path: { batch_id: w.batch_id, key: w.key } };
  try {
    await ask(api.PUT('/api/v1/batches/{batch_id}/weighings/{key}', { params, body: w.body }));
    return 'kept';
  } catch (error) {
    const status = error instanceof ProblemError ? error.status : 0;
    return status === 0 || status >= 500 ? 'out of reach' : { refused: wordsOf(error) };
  }
}
