import { api, ask, ProblemError, wordsOf, type Schemas } from '../../api/client';
import { remembered } from '../../ui/state/remembered';
import { isAnswered, readingsOf, repeats, stepsFor, type Answers, type Kind } from './steps';

interface Kept {
  answers: Record<string, string>;
  at: number;
  lot_id: number | null;
  note: string;
}

/** One bench test under way. What was answered is kept in this browser until it is recorded. */
export class BenchTest {
  answers = $state.raw<Answers>({});
  at = $state(0);
  lot_id = $state<number | null>(null);
  note = $state('');
  result = $state.raw<Schemas['BenchResultOut'] | null>(null);
  wrong = $state('');
  place = $state('');
  readonly kind: Kind;
  readonly slug: string | null;
  readonly #store: ReturnType<typeof remembered<Kept>>;

  constructor(kind: Kind, slug: string | null, defaults: Record<string, string>) {
    this.kind = kind;
    this.slug = slug;
    const fresh = { answers: defaults, at: 0, lot_id: null, note: '' };
    this.#store = remembered<Kept>(`fallow-test-${slug ?? 'scale'}-${kind}`, fresh);
    const kept = this.#store.read();
    this.answers = { ...defaults, ...kept.answers };
    this.at = kept.at;
    this.lot_id = kept.lot_id;
    this.note = kept.note;
  }

  readonly steps = $derived.by(() => stepsFor(this.kind, this.answers));
  readonly step = $derived(this.steps[Math.min(this.at, this.steps.length)]);
  readonly begun = $derived(this.at > 0);

  answer(key: string, value: string): void {
    this.answers = { ...this.answers, [key]: value };
    this.wrong = this.place = '';
    this.keep();
  }

  keep(): void {
    const { answers, at, lot_id, note } = this;
    this.#store.keep({ answers: { ...answers }, at, lot_id, note });
  }

  get ready(): boolean {
    return !!this.step && isAnswered(this.step, this.answers);
  }

  async next(): Promise<void> {
    this.at = Math.min(this.at + 1, this.steps.length);
    this.keep();
    if (this.at === this.steps.length) await this.weigh();
  }

  back(): void {
    this.at = Math.max(0, Math.min(this.at, this.steps.length) - 1);
    this.result = null;
    this.wrong = '';
    this.keep();
  }

  /** One reading more than there were. */
  again(): void {
    this.answers = { ...this.answers, repeats: String(repeats(this.answers) + 1) };
    this.result = null;
    this.keep();
  }

  get #body(): Schemas['BenchTestIn'] | null {
    const readings = readingsOf(this.kind, this.answers);
    if (!readings) return null;
    return { ingredient: this.slug, lot_id: this.lot_id, note: this.note, readings };
  }

  /** Asks what the readings give. */
  async weigh(): Promise<void> {
    const body = this.#body;
    if (!body) {
      const missing = this.steps.findIndex((s) => !isAnswered(s, this.answers));
      this.at = Math.max(0, missing);
      this.wrong = 'This one is still missing.';
      return;
    }
    await this.#try(async () => {
      this.result = (await ask(api.POST('/api/v1/bench-tests/try', { body }))).data;
    });
  }

  /** Puts it on record; returns whether that went well. */
  async record(): Promise<boolean> {
    const body = this.#body;
    if (!body) return false;
    return this.#try(async () => {
      await ask(api.POST('/api/v1/bench-tests', { body }));
      this.forget();
    });
  }

  forget(): void {
    this.#store.keep({ answers: {}, at: 0, lot_id: null, note: '' });
  }

  async #try(what: () => Promise<void>): Promise<boolean> {
    try {
      await what();
      this.wrong = this.place = '';
      return true;
    } catch (error) {
      this.wrong = wordsOf(error);
      this.place = error instanceof ProblemError ? error.place : '';
      this.result = null;
      return false;
    }
  }
}
