import {
  api,
  ask,
  wordsOf,
  type BlendOut,
  type BriefSummary,
  type Ingredient,
  type Judgement,
  type Part,
  type Revision,
  type Schemas
} from '../api/client';
import { kitchen } from '../kitchen.svelte';
import type { Undoable } from '../frame/undo.svelte';
import { notices } from '../ui/notices.svelte';
import { Autosave } from '../saving/autosave.svelte';
import { blendPort, type Draft, type Working } from './draft';
import { History } from './history';
import { Latest } from './latest';
import { moveAcross, sameParts, SMALLEST_G, stepFor, total, withMass } from './moves';

/** Faster than the eye follows a number, slow enough to leave the frames to the hand. */
const JUDGE_EVERY_MS = 40;
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
export class Bench implements Undoable {
  blend: BlendOut['blend'];
  parts = $state.raw<readonly Part[]>([]);
  judgement = $state.raw<Judgement | null>(null);
  revisions = $state.raw<Revision[]>([]);
  based_on = $state<number | null>(null);
  brief = $state.raw<BriefSummary | null>(null);
  /** What is drawn beside the blend: a revision by its number, or a mix that is proposed. */
  ghost = $state.raw<Ghost | null>(null);
  /** With how many of 100 bags it passes; null while that is not known. */
  bags = $state.raw<Schemas['BagsOut'] | null>(null);
  selected = $state<string | null>(null);
  /** The part whose lot is being chosen. */
  asksLot = $state<string | null>(null);
  trouble = $state('');
  canUndo = $state(false);
  canRedo = $state(false);
  /** What is known of ingredients by slug, from every answer so far. */
  known = $state.raw<ReadonlyMap<string, Known>>(new Map());
  #aside: Ghost | null = null;
  #bagsDue: ReturnType<typeof setTimeout> | undefined;
  readonly save: Autosave<Working, Draft>;
  readonly #history = new History<readonly Part[]>();
  readonly #judging: Latest<readonly Part[], Judgement>;

  constructor(found: BlendOut) {
    this.blend = $state(found.blend);
    this.parts = found.draft.parts;
    this.revisions = found.revisions;
    this.based_on = found.draft.based_on;
    this.save = new Autosave(blendPort(found.blend.id), found.draft);
    this.#judging = new Latest(
      (parts) => this.#judge(parts),
      (judgement) => this.#take(judgement),
      (error) => (this.trouble = wordsOf(error)),
      JUDGE_EVERY_MS
    );
  }

  /** The slugs in the order of the column, base to top: by role, then as they were added. */
  readonly order = $derived.by(() => {
    const place = (p: Part): number => kitchen.roleOrder(this.known.get(p.ingredient)?.role ?? '');
    return this.parts
      .map((p, n) => ({ slug: p.ingredient, at: place(p) * 1000 + n }))
      .sort((a, b) => a.at - b.at)
      .map((p) => p.slug);
  });
  readonly mass_g = $derived(total(this.parts));
  readonly kept = $derived(
    this.revisions.some((r) => r.number === this.based_on && sameParts(r.parts, this.parts))
  );

  /** Starts: restores what was not saved, judges, draws the revision the draft is based on. */
  async start(): Promise<void> {
    const unsaved = this.save.unsaved();
    if (unsaved && !sameParts(unsaved.parts, this.parts)) {
      if (this.save.state === 'conflict') {
        this.save.theirs = { ...(await this.#draft()) };
      } else {
        this.save.note(unsaved);
        notices.say('Changes that were not saved before were found in this browser and put back.');
      }
      this.parts = unsaved.parts;
      this.based_on = unsaved.based_on;
    } else if (unsaved) {
      this.save.adopt(await this.#draft());
    }
    if (this.blend.brief_id) await this.#loadBrief(this.blend.brief_id);
    this.rejudge();
    if (this.based_on && !this.kept) await this.showBeside(this.based_on);
  }

  async #draft(): Promise<BlendOut['draft']> {
    const params = { path: { blend_id: this.blend.id } };
    return (await ask(api.GET('/api/v1/blends/{blend_id}/draft', { params }))).data;
  }

  async #loadBrief(brief_id: number): Promise<void> {
    this.brief = (await ask(api.GET('/api/v1/briefs/{brief_id}', { params: { path: { brief_id } } }))).data;
  }

  async #judge(parts: readonly Part[]): Promise<Judgement> {
    const body = { parts: [...parts], use: this.blend.use, brief_id: this.blend.brief_id };
    return (await ask(api.POST('/api/v1/analyse', { body }))).data;
  }

  #take(judgement: Judgement): void {
    this.judgement = judgement;
    this.trouble = '';
    this.learn(judgement.analysis.parts.map((p) => [p.ingredient, p]));
    this.bags = null;
    clearTimeout(this.#bagsDue);
    if (judgement.fit) this.#bagsDue = setTimeout(() => void this.#countBags(), BAGS_AFTER_MS);
  }

  /** Once the hand rests: what another bag of each flour would do to the sieves. */
  async #countBags(): Promise<void> {
    const parts = this.parts;
    const { use, brief_id } = this.blend;
    if (!use || !parts.length) return;
    try {
      const { data } = await ask(api.POST('/api/v1/bags', { body: { parts: [...parts], use, brief_id } }));
      if (this.parts === parts) this.bags = data;
    } catch {
      // The judgement itself says where something is wrong.
    }
  }

  learn(found: Iterable<readonly [string, Known]>): void {
    const fresh = [...found].filter(([slug]) => !this.known.has(slug));
    if (fresh.length) this.known = new Map([...this.known, ...fresh]);
  }

  rejudge(): void {
    if (this.parts.length) {
      this.#judging.ask(this.parts);
    } else {
      this.#judging.forget();
      this.judgement = null;
    }
  }

  nameOf(slug: string): string {
    return this.known.get(slug)?.name ?? slug;
  }

  roleOf(slug: string): string {
    return this.known.get(slug)?.role ?? 'other';
  }

  /** Shows parts while a hand moves, without a step of undo; `commit` makes it one. */
  preview(parts: readonly Part[]): void {
    this.parts = parts;
    this.rejudge();
  }

  /** Makes `parts` the blend, as one step of undo from `before`. */
  commit(parts: readonly Part[], before: readonly Part[] = this.parts): void {
    this.parts = parts;
    if (sameParts(parts, before) && parts.length === before.length) return;
    this.#history.note(before);
    this.#changed();
  }

  #changed(): void {
    this.canUndo = this.#history.canUndo;
    this.canRedo = this.#history.canRedo;
    this.save.note({ parts: this.parts, based_on: this.based_on });
    this.rejudge();
  }

  undo(): void {
    this.#goTo(this.#history.undo(this.parts));
  }

  redo(): void {
    this.#goTo(this.#history.redo(this.parts));
  }

  #goTo(parts: readonly Part[] | null): void {
    if (!parts) return;
    this.parts = parts;
    this.#changed();
  }

  setMass(slug: string, mass_g: number): void {
    this.commit(withMass(this.parts, slug, mass_g));
  }

  /** Some steps more or less of a part; a small dose moves in small steps. */
  nudge(part: Part, steps: number): void {
    const size = part.mass_g < this.mass_g / 10 ? this.mass_g / 10 : this.mass_g;
    this.setMass(part.ingredient, Math.max(SMALLEST_G, part.mass_g + steps * stepFor(size)));
  }

  moveBoundary(at: number, by_g: number): void {
    this.commit(moveAcross(this.parts, this.order, at, by_g));
  }

  /** Sets a share of the flour base; the core takes from the others what it needs. Throws what it says. */
  async setShare(slug: string, value: number): Promise<void> {
    await this.#compose({ action: 'set-flour-share', ingredient: slug, value });
  }

  async scaleTo(mass_g: number): Promise<void> {
    await this.#compose({ action: 'scale-to', value: mass_g });
  }

  async #compose(change: {
    action: 'set-flour-share' | 'scale-to' | 'add';
    ingredient?: string;
    value?: number;
    use?: string | null;
  }): Promise<void> {
    const before = this.parts;
    const { data } = await ask(api.POST('/api/v1/compose', { body: { parts: [...before], ...change } }));
    this.commit(data.parts, before);
  }

  toggleLock(slug: string): void {
    this.commit(this.parts.map((p) => (p.ingredient === slug ? { ...p, locked: !p.locked } : p)));
  }

  /** Lets a part draw on one lot, or on none in particular. */
  setLot(slug: string, lot_id: number | null): void {
    this.commit(this.parts.map((p) => (p.ingredient === slug ? { ...p, lot_id } : p)));
  }

  remove(slug: string): void {
    this.commit(this.parts.filter((p) => p.ingredient !== slug));
    notices.say(`${this.nameOf(slug)} was taken out. Undo brings it back.`);
  }

  /** Adds an ingredient on top; the core says how much to begin with. */
  async add(item: Ingredient): Promise<void> {
    this.learn([[item.slug, item]]);
    this.selected = item.slug;
    if (this.parts.some((p) => p.ingredient === item.slug)) return;
    await this.#compose({ action: 'add', ingredient: item.slug, use: this.blend.use });
  }

  /** Keeps the draft as a revision; every change is saved first. */
  async keep(why: string): Promise<void> {
    if (!(await this.save.flush())) throw new Error('The draft is not saved yet, so nothing was kept.');
    const params = { path: { blend_id: this.blend.id }, header: { 'If-Match': `"${this.save.version}"` } };
    const { data } = await ask(api.POST('/api/v1/blends/{blend_id}/revisions', { params, body: { why } }));
    this.revisions = data.revisions;
    this.based_on = data.draft.based_on;
    this.save.adopt(data.draft);
    this.ghost = null;
  }

  /** Puts a kept revision on the bench, as one step of undo. */
  restore(revision: Revision): void {
    const before = this.parts;
    this.based_on = revision.number;
    this.commit(revision.parts, before);
  }

  /** Draws a revision beside the blend, or nothing. */
  async showBeside(number: number | null): Promise<void> {
    const revision = this.revisions.find((r) => r.number === number);
    if (!revision) {
      this.ghost = null;
      return;
    }
    const body = { parts: revision.parts, use: this.blend.use };
    const { data } = await ask(api.POST('/api/v1/analyse', { body }));
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

  /** Saves the name or use of the blend. */
  async saveHead(
    changes: Partial<Pick<BlendOut['blend'], 'name' | 'use' | 'brief_id' | 'archived'>>
  ): Promise<void> {
    const { name, use, brief_id, archived, version, id } = this.blend;
    const body = { name, use, brief_id, archived, ...changes };
    const params = { path: { blend_id: id }, header: { 'If-Match': `"${version}"` } };
    this.blend = (await ask(api.PUT('/api/v1/blends/{blend_id}', { params, body }))).data;
    if (changes.use !== undefined || changes.brief_id !== undefined) this.rejudge();
  }

  /** Settles two drafts: keep mine over theirs, or take theirs (mine becomes a blend of its own). */
  async keepMine(): Promise<void> {
    await this.save.overwrite();
  }

  async takeTheirs(): Promise<void> {
    const theirs = this.save.theirs;
    if (!theirs) return;
    const mine = this.parts;
    const { brief_id, use, name } = this.blend;
    if (mine.length) {
      const body = { name: `${name} (my draft)`.slice(0, 120), use, brief_id, parts: [...mine] };
      await ask(api.POST('/api/v1/blends', { body }));
      notices.say(`Your draft is kept as a blend of its own: ${body.name}.`);
    }
    this.save.adopt(theirs);
    this.parts = theirs.parts;
    this.based_on = theirs.based_on;
    this.rejudge();
  }
}
