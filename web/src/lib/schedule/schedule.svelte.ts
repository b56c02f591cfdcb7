import { api, ask, type Schemas } from '../api/client';
import { follow } from '../api/stream';
import { Document, type Noun } from '../document/document.svelte';
import type { Whole } from '../document/types';
import { later, localOf } from './clock';
import { sameStep, type Answer, type Content, type Product, type Step, type StepKey } from './types';

/** Asks for the times of a schedule; `coarse` is given a first plan while the search goes on. */
export async function planned(content: Content, coarse: (answer: Answer) => void): Promise<Answer> {
  let found: Answer | null = null;
  const answer = await fetch('/api/v1/plans', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ content })
  });
  await follow<{ coarse?: Answer; plan?: Answer }>(answer, (line) => {
    if (line.coarse) coarse(line.coarse);
    if (line.plan) found = line.plan;
  });
  if (!found) throw new Error('The search for times ended without an answer.');
  return found;
}

function fingerprint(content: Content): string {
  return JSON.stringify({ ...content, now: '' });
}

const SCHEDULE_NOUN: Noun<Content, Answer> = {
  name: 'schedule',
  path: 'schedules',
  key: (id) => `schedule.${id}`,
  bench: (id) => `/schedule/${id}`,
  same: (a, b) => a === b || fingerprint(a) === fingerprint(b),
  isEmpty: (content) => !content.products.length,
  judge: (content) => planned(content, () => undefined),
  upgrade: (kept) => (kept as { content: Content }).content
};

/** One schedule on its bench: what is to be ready, the times that were found, and everything that can be done to them. */
export class ScheduleBench extends Document<Content, Answer> {
  /** The last plan that could be: what is drawn while a wish cannot be met. */
  shown = $state.raw<Answer | null>(null);
  chosen = $state.raw<StepKey | null>(null);
  why = $state.raw<Schemas['Reason'][]>([]);
  #asked = 0;

  constructor(found: Whole<Content>) {
    const self: { bench?: ScheduleBench } = {};
    super(
      {
        ...SCHEDULE_NOUN,
        judge: (content) =>
          planned(content, (coarse) => {
            if (self.bench && !self.bench.shown) self.bench.shown = coarse;
          })
      },
      found
    );
    self.bench = this;
  }

  readonly zone = $derived(this.content.zone);
  readonly steps = $derived(this.shown?.steps ?? []);
  readonly step = $derived(this.steps.find((s) => sameStep(s, this.chosen)) ?? null);
  readonly running = $derived(this.content.products.some((p) => Object.keys(p.done ?? {}).length));

  protected override judged(answer: Answer): void {
    if (answer.steps.length) this.shown = answer;
    void this.askWhy();
  }

  choose(key: StepKey | null): void {
    this.chosen = key && { product: key.product, step: key.step };
    void this.askWhy();
  }

  /** Asks what lets the chosen step begin when it does. */
  async askWhy(): Promise<void> {
    const mine = ++this.#asked;
    const key = this.chosen;
    if (!key || !this.judgement?.steps.length) {
      this.why = [];
      return;
    }
    try {
      const body = { content: this.content, ...key };
      const { data } = await ask(api.POST('/api/v1/plans/why', { body }));
      if (mine === this.#asked) this.why = data;
    } catch {
      if (mine === this.#asked) this.why = [];
    }
  }

  productOf(key: StepKey): Product | undefined {
    return this.content.products.find((p) => p.id === key.product);
  }

  setProduct(id: string, change: Partial<Product>): void {
    const products = this.content.products.map((p) => (p.id === id ? { ...p, ...change } : p));
    this.set({ products });
  }

  withProduct(id: string, change: Partial<Product>): Content {
    const products = this.content.products.map((p) => (p.id === id ? { ...p, ...change } : p));
    return { ...this.content, products };
  }

  addProduct(product: Product): void {
    const names = new Set(this.content.products.map((p) => p.id));
    let id = product.id;
    for (let n = 2; names.has(id); n++) id = `${product.id} ${n}`;
    this.set({ products: [...this.content.products, { ...product, id }] });
  }

  removeProduct(id: string): void {
    if (this.chosen?.product === id) this.choose(null);
    this.set({ products: this.content.products.filter((p) => p.id !== id) });
  }

  /** Returns the content in which a step is held at an instant. */
  pinnedAt(step: StepKey, at: string): Content {
    const pins = { ...this.productOf(step)?.pins, [step.step]: localOf(at, this.zone) };
    return this.withProduct(step.product, { pins });
  }

  pin(step: StepKey, at: string): void {
    this.commit(this.pinnedAt(step, at));
  }

  isPinned(step: StepKey): boolean {
    return this.productOf(step)?.pins?.[step.step] !== undefined;
  }

  unpin(step: StepKey): void {
    const pins = { ...this.productOf(step)?.pins };
    delete pins[step.step];
    this.setProduct(step.product, { pins });
  }

  /** Moves a step by minutes: it is held there, and what may move with it moves. */
  move(step: Step, minutes: number): void {
    this.pin(step, later(step.at, minutes));
  }

  /** Puts a bake into the next oven that there is. */
  otherOven(step: Step, ovens: readonly string[]): void {
    if (!step.oven || ovens.length < 2) return;
    const next = ovens[(ovens.indexOf(step.oven) + 1) % ovens.length]!;
    this.setProduct(step.product, { ovens: { ...this.productOf(step)?.ovens, [step.step]: next } });
  }

  mayLeaveOut(step: StepKey): boolean {
    return !!this.shown?.options.some((o) => o.product === step.product && o.step === step.step);
  }

  /** Says of an optional step whether it is done. */
  toggle(step: StepKey, on: boolean): void {
    const switches = { ...this.productOf(step)?.switches, [step.step]: on };
    this.setProduct(step.product, { switches });
  }

  /** Makes the times that are shown the announced ones: from now on a move costs. */
  announce(): void {
    const products = this.content.products.map((p) => ({
      ...p,
      announced: Object.fromEntries(
        this.steps.filter((s) => s.product === p.id).map((s) => [s.step, localOf(s.at, this.zone)])
      )
    }));
    this.set({ products });
  }
}
