import { api, ask, type Ingredient, type Judgement, type Part, type Schemas } from '../../api/client';
import { kitchen } from '../../app/kitchen.svelte';
import { Document } from '../../document/document.svelte';
import type { Whole } from '../../document/types';
import { notices } from '../../ui/state/notices.svelte';
import { BLEND_NOUN, type BlendContent } from './content';
import { SMALLEST_G, stepFor } from '../../ui/cell/steps';
import { moveAcross, total, withMass } from './moves';

/** A hand that rests so long is done for now. */
const BAGS_AFTER_MS = 400;

interface Known {
  name: string;
  role: string;
}

/** A mix drawn beside the blend; `number` is that of a revision, null for one that is only proposed. */
interface Ghost {
  number: number | null;
  label: string;
  layers: readonly { ingredient: string; name: string; role: string; mix_pct: number }[];
}

/** One blend on the bench: its parts, what the core says of them, and everything that can be done to them. */
export class Bench extends Document<BlendContent, Judgement> {
  /** What is drawn beside the blend: a revision by its number, or a mix that is proposed. */
  ghost = $state.raw<Ghost | null>(null);
  /** With how many of 100 bags it passes; null while that is not known. */
  bags = $state.raw<Schemas['Bags'] | null>(null);
  selected = $state<string | null>(null);
  /** The part whose lot is being chosen. */
  asksLot = $state<string | null>(null);
  /** What is known of ingredients by slug, from every answer so far. */
  known = $state.raw<ReadonlyMap<string, Known>>(new Map());
  #aside: Ghost | null = null;
  #bagsDue: ReturnType<typeof setTimeout> | undefined;

  constructor(found: Whole<BlendContent>) {
    super(BLEND_NOUN, found);
  }

  readonly parts = $derived(this.content.parts);
  readonly use = $derived(this.content.use);
  /** The slugs in the order of the column, base to top: by role, then as they were added. */
  readonly order = $derived.by(() => {
    const place = (p: Part): number => kitchen.roleOrder(this.known.get(p.ingredient)?.role ?? '');
    return this.parts
      .map((p, n) => ({ slug: p.ingredient, at: place(p) * 1000 + n }))
      .sort((a, b) => a.at - b.at)
      .map((p) => p.slug);
  });
  readonly mass_g = $derived(total(this.parts));

  override get beside(): number | null {
    return this.ghost?.number ?? null;
  }

  override async start(): Promise<void> {
    await super.start();
    if (this.based_on && !this.kept) await this.showBeside(this.based_on);
  }

  protected override judged(judgement: Judgement): void {
    this.learn(judgement.analysis.parts.map((p) => [p.ingredient, p]));
    this.bags = null;
    clearTimeout(this.#bagsDue);
    if (judgement.fit) this.#bagsDue = setTimeout(() => void this.#countBags(), BAGS_AFTER_MS);
  }

  /** Once the hand rests: what another bag of each flour would do to the sieves. */
  async #countBags(): Promise<void> {
    const content = this.content;
    const { parts, use } = content;
    if (!use || !parts.length) return;
    try {
      const body = { parts, use, brief_id: this.head.brief_id };
      const { data } = await ask(api.POST('/api/v1/bags', { body }));
      if (this.content === content) this.bags = data;
    } catch {
      // The judgement itself says where something is wrong.
    }
  }

  learn(found: Iterable<readonly [string, Known]>): void {
    const fresh = [...found].filter(([slug]) => !this.known.has(slug));
    if (fresh.length) this.known = new Map([...this.known, ...fresh]);
  }

  nameOf(slug: string): string {
    return this.known.get(slug)?.name ?? slug;
  }

  roleOf(slug: string): string {
    return this.known.get(slug)?.role ?? 'other';
  }

  /** Shows parts while a hand moves, without a step of undo; `setParts` makes it one. */
  previewParts(parts: readonly Part[]): void {
    this.preview({ ...this.content, parts: [...parts] });
  }

  /** Makes `parts` the blend's, as one step of undo from `before`. */
  setParts(parts: readonly Part[], before: readonly Part[] = this.parts): void {
    this.commit({ ...this.content, parts: [...parts] }, { ...this.content, parts: [...before] });
  }

  setMass(slug: string, mass_g: number): void {
    this.setParts(withMass(this.parts, slug, mass_g));
  }

  /** Some steps more or less of a part; a small dose moves in small steps. */
  nudge(part: Part, steps: number): void {
    const size = part.mass_g < this.mass_g / 10 ? this.mass_g / 10 : this.mass_g;
    this.setMass(part.ingredient, Math.max(SMALLEST_G, part.mass_g + steps * stepFor(size)));
  }

  moveBoundary(at: number, by_g: number): void {
    this.setParts(moveAcross(this.parts, this.order, at, by_g));
  }

  /** Sets a share of the flour base; the core takes from the others what it needs. Throws what it says. */
  async setShare(slug: string, value: number): Promise<void> {
    await this.#compose({ action: 'set-flour-share', ingredient: slug, value });
  }

  async scaleTo(mass_g: number): Promise<void> {
    await this.#compose({ action: 'scale-to', value: mass_g });
  }

  async #compose(change: Omit<Schemas['ComposeIn'], 'parts'>): Promise<void> {
    const before = this.parts;
    const { data } = await ask(api.POST('/api/v1/compose', { body: { parts: before, ...change } }));
    this.setParts(data.parts, before);
  }

  toggleLock(slug: string): void {
    this.setParts(this.parts.map((p) => (p.ingredient === slug ? { ...p, locked: !p.locked } : p)));
  }

  /** Lets a part draw on one lot, or on none in particular. */
  setLot(slug: string, lot_id: number | null): void {
    this.setParts(this.parts.map((p) => (p.ingredient === slug ? { ...p, lot_id } : p)));
  }

  remove(slug: string): void {
    this.setParts(this.parts.filter((p) => p.ingredient !== slug));
    notices.say(`${this.nameOf(slug)} was taken out. Undo brings it back.`);
  }

  /** Adds an ingredient on top; the core says how much to begin with. */
  async add(item: Ingredient): Promise<void> {
    this.learn([[item.slug, item]]);
    this.selected = item.slug;
    if (this.parts.some((p) => p.ingredient === item.slug)) return;
    await this.#compose({ action: 'add', ingredient: item.slug, use: this.use });
  }

  /** Draws a revision beside the blend, judged for what it was for; or nothing. */
  override async showBeside(number: number | null): Promise<void> {
    const revision = this.revisions.find((r) => r.number === number);
    if (!revision) {
      this.ghost = null;
      return;
    }
    const { data } = await ask(api.POST('/api/v1/analyse', { body: revision.content }));
    this.learn(data.analysis.parts.map((p) => [p.ingredient, p]));
    this.ghost = { number: revision.number, label: `rev ${revision.number}`, layers: data.analysis.parts };
  }

  /** Draws a mix beside the blend while it is looked at; `null` gives back what stood there. */
  showMix(label: string, layers: Ghost['layers'] | null): void {
    if (layers) {
      if (this.ghost?.number !== null) this.#aside = this.ghost;
      this.learn(layers.map((l) => [l.ingredient, l]));
      this.ghost = { number: null, label, layers };
    } else if (this.ghost?.number === null) {
      this.ghost = this.#aside;
    }
  }
}
