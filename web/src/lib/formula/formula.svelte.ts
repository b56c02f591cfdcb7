import { api, ask, wordsOf, type BriefSummary, type Ingredient, type Schemas } from '../api/client';
import { History } from '../bench/history';
import { Latest } from '../bench/latest';
import { stepFor, SMALLEST_G } from '../bench/moves';
import type { Undoable } from '../frame/undo.svelte';
import { Autosave } from '../saving/autosave.svelte';
import { notices } from '../ui/notices.svelte';
import { formulaPort, sameContent, type FormulaDraft, type FormulaWorking } from './draft';
import {
  AHEAD,
  BLEND,
  BLEND_LINE,
  OUTSIDE_DOUGH,
  STAGES,
  type Content,
  type FormulaJudgement,
  type FormulaLine,
  type FormulaOut,
  type FormulaRevision
} from './types';

/** Faster than the eye follows a number, slow enough to leave the frames to the hand. */
const JUDGE_EVERY_MS = 40;

export type Tab = 'balance' | 'water' | 'binder' | 'scale' | 'swap' | 'bake' | 'finished' | 'revisions';

/** One formula on its bench: what is in it, what the core says of it, and everything that can be done to it. */
export class FormulaBench implements Undoable {
  formula: FormulaOut['formula'];
  content = $state.raw<Content>(null!);
  judgement = $state.raw<FormulaJudgement | null>(null);
  revisions = $state.raw<FormulaRevision[]>([]);
  based_on = $state<number | null>(null);
  brief = $state.raw<BriefSummary | null>(null);
  /** A kept revision that is compared with, and its judgement. */
  ghost = $state.raw<{ number: number; content: Content; judgement: FormulaJudgement } | null>(null);
  /** Whether a newer revision of the blend is there, and what it would change. */
  pin = $state.raw<Schemas['PinOut'] | null>(null);
  selected = $state<number | null>(null);
  tab = $state<Tab>('balance');
  trouble = $state('');
  canUndo = $state(false);
  canRedo = $state(false);
  readonly save: Autosave<FormulaWorking, FormulaDraft>;
  readonly #history = new History<Content>();
  readonly #judging: Latest<Content, FormulaJudgement>;

  constructor(found: FormulaOut) {
    this.formula = $state(found.formula);
    this.content = found.draft.content;
    this.revisions = found.revisions;
    this.based_on = found.draft.based_on;
    this.save = new Autosave(formulaPort(found.formula.id), found.draft);
    this.#judging = new Latest(
      (content) => judge(content),
      (judgement) => {
        this.judgement = judgement;
        this.trouble = '';
      },
      (error) => (this.trouble = wordsOf(error)),
      JUDGE_EVERY_MS
    );
  }

  readonly lines = $derived(this.content.lines);
  /** What an ingredient can be added to sees these as its parts. */
  readonly parts = $derived(this.content.lines);
  readonly kept = $derived(
    this.revisions.some((r) => r.number === this.based_on && sameContent(r.content, this.content))
  );

  /** Starts: restores what was not saved, judges, looks whether the blend has moved on. */
  async start(): Promise<void> {
    const unsaved = this.save.unsaved();
    if (unsaved && !sameContent(unsaved.content, this.content)) {
      if (this.save.state === 'conflict') {
        this.save.theirs = { ...(await this.#draft()) };
      } else {
        this.save.note(unsaved);
        notices.say('Changes that were not saved before were found in this browser and put back.');
      }
      this.content = unsaved.content;
      this.based_on = unsaved.based_on;
    } else if (unsaved) {
      this.save.adopt(await this.#draft());
    }
    if (this.formula.brief_id) {
      const params = { path: { brief_id: this.formula.brief_id } };
      this.brief = (await ask(api.GET('/api/v1/briefs/{brief_id}', { params }))).data;
    }
    this.rejudge();
    void this.lookAtPin();
  }

  async #draft(): Promise<FormulaDraft> {
    const params = { path: { formula_id: this.formula.id } };
    return (await ask(api.GET('/api/v1/formulas/{formula_id}/draft', { params }))).data;
  }

  /** Asks whether the pinned blend has a newer revision. */
  async lookAtPin(): Promise<void> {
    if (!this.content.blend?.blend_id) {
      this.pin = null;
      return;
    }
    const body = { content: this.content } as Schemas['OnContentIn'];
    try {
      this.pin = (await ask(api.POST('/api/v1/formula-pins', { body }))).data;
    } catch {
      this.pin = null; // what is wrong with the formula, its judgement says
    }
  }

  rejudge(): void {
    if (this.lines.length) {
      this.#judging.ask(this.content);
    } else {
      this.#judging.forget();
      this.judgement = null;
    }
  }

  factsOf(index: number): Schemas['LineFacts'] | undefined {
    const found = this.judgement?.analysis.lines[index];
    return found?.ingredient === this.lines[index]?.ingredient ? found : undefined;
  }

  nameOf(line: FormulaLine, index: number): string {
    if (line.ingredient === BLEND) return this.content.blend?.name || 'The blend';
    return this.factsOf(index)?.name ?? line.ingredient;
  }

  /** Shows a content while a hand moves, without a step of undo; `commit` makes it one. */
  preview(content: Content): void {
    this.content = content;
    this.rejudge();
  }

  /** Makes `content` the formula, as one step of undo from `before`. */
  commit(content: Content, before: Content = this.content): void {
    this.content = content;
    if (sameContent(content, before)) return;
    this.#history.note(before);
    this.#changed();
  }

  /** Returns the content with so much water (g) poured, in its largest water line or a new one. */
  withWater(mass_g: number): Content {
    const wet = this.lines.map((l, n) => ({ l, n })).filter(({ l }) => isPoured(l));
    const most = wet.sort((a, b) => b.l.mass_g - a.l.mass_g)[0];
    const rest = wet.slice(1).reduce((sum, { l }) => sum + l.mass_g, 0);
    const wanted = Math.max(SMALLEST_G, mass_g - rest);
    if (!most) {
      const line = { ingredient: 'water', mass_g: wanted, stage: 'wet', note: '' };
      return { ...this.content, lines: [...this.lines, line] };
    }
    const lines = this.lines.map((l, n) => (n === most.n ? { ...l, mass_g: wanted } : l));
    return { ...this.content, lines };
  }

  /** Water that is poured as the dough is mixed, g. */
  readonly poured_g = $derived(this.lines.filter(isPoured).reduce((sum, l) => sum + l.mass_g, 0));

  /** Water of what is made ahead, in a gel, soak or leaven, g. */
  readonly ahead_g = $derived(
    this.lines
      .filter((l) => l.ingredient === 'water' && AHEAD.has(l.stage))
      .reduce((sum, l) => sum + l.mass_g, 0)
  );

  set(change: Partial<Content>): void {
    this.commit({ ...this.content, ...change });
  }

  #changed(): void {
    this.canUndo = this.#history.canUndo;
    this.canRedo = this.#history.canRedo;
    this.save.note({ content: this.content, based_on: this.based_on });
    this.rejudge();
  }

  undo(): void {
    this.#goTo(this.#history.undo(this.content));
  }

  redo(): void {
    this.#goTo(this.#history.redo(this.content));
  }

  #goTo(content: Content | null): void {
    if (!content) return;
    this.content = content;
    this.#changed();
    void this.lookAtPin();
  }

  setLine(index: number, change: Partial<FormulaLine>): void {
    this.set({ lines: this.lines.map((l, n) => (n === index ? { ...l, ...change } : l)) });
  }

  nudge(index: number, steps: number): void {
    const line = this.lines[index]!;
    const mass_g = Math.max(SMALLEST_G, line.mass_g + steps * stepFor(line.mass_g));
    this.setLine(index, { mass_g });
  }

  /** Sets a line to a share of the flour base, which the line itself may be part of. */
  setPct(index: number, pct: number): void {
    const facts = this.factsOf(index);
    const flour_g = this.judgement?.analysis.flour_g ?? 0;
    if (!facts || flour_g <= 0) throw new Error('There is no flour to take a share of.');
    this.setLine(index, { mass_g: (flour_g * pct) / 100 });
  }

  remove(index: number): void {
    const name = this.nameOf(this.lines[index]!, index);
    this.selected = null;
    this.set({ lines: this.lines.filter((_, n) => n !== index) });
    notices.say(`${name} was taken out. Undo brings it back.`);
  }

  /** Moves a line up (−1) or down (1) among the lines, as one step of undo; at an end it stays. */
  moveLine(index: number, by: -1 | 1): void {
    const to = index + by;
    if (to < 0 || to >= this.lines.length) return;
    const lines = [...this.lines];
    [lines[index], lines[to]] = [lines[to]!, lines[index]!];
    if (this.selected === index) this.selected = to;
    this.set({ lines });
  }

  /** Puts the lines in the order of the work; lines of one stage stay as they stand. */
  sortByStage(): void {
    const order = Object.keys(STAGES);
    this.selected = null;
    this.set({ lines: this.lines.toSorted((a, b) => order.indexOf(a.stage) - order.indexOf(b.stage)) });
  }

  /** Adds an ingredient where it commonly goes in, at what is missing of it or usual. */
  async add(item: Pick<Ingredient, 'slug'>): Promise<void> {
    const body = { content: this.content, ingredient: item.slug } as Schemas['AddLineIn'];
    const { data: line } = await ask(api.POST('/api/v1/formula-lines', { body }));
    this.selected = this.lines.length;
    this.set({ lines: [...this.lines, line] });
  }

  /** Puts a blend's revision under the formula; where it had none, a line of it comes first. */
  pinBlend(blend: NonNullable<Content['blend']>): void {
    const has = this.lines.some((l) => l.ingredient === BLEND);
    this.set({ blend, lines: has ? this.lines : [BLEND_LINE, ...this.lines] });
    void this.lookAtPin();
  }

  /** Keeps the draft as a revision; every change is saved first. */
  async keep(why: string): Promise<void> {
    if (!(await this.save.flush())) throw new Error('The draft is not saved yet, so nothing was kept.');
    const params = {
      path: { formula_id: this.formula.id },
      header: { 'If-Match': `"${this.save.version}"` }
    };
    const { data } = await ask(
      api.POST('/api/v1/formulas/{formula_id}/revisions', { params, body: { why } })
    );
    this.revisions = data.revisions;
    this.based_on = data.draft.based_on;
    this.save.adopt(data.draft);
    this.ghost = null;
  }

  /** Puts a kept revision on the bench, as one step of undo. */
  restore(revision: FormulaRevision): void {
    this.based_on = revision.number;
    this.commit(revision.content);
    void this.lookAtPin();
  }

  /** Compares with a kept revision, or with nothing. */
  async showBeside(number: number | null): Promise<void> {
    const found = this.revisions.find((r) => r.number === number);
    this.ghost = found
      ? { number: found.number, content: found.content, judgement: await judge(found.content) }
      : null;
  }

  async saveHead(changes: Partial<Schemas['FormulaIn']>): Promise<void> {
    const { name, brief_id, archived, version, id } = this.formula;
    const params = { path: { formula_id: id }, header: { 'If-Match': `"${version}"` } };
    const body = { name, brief_id, archived, ...changes };
    this.formula = (await ask(api.PUT('/api/v1/formulas/{formula_id}', { params, body }))).data;
  }

  async takeTheirs(): Promise<void> {
    const theirs = this.save.theirs;
    if (!theirs) return;
    const name = `${this.formula.name} (my draft)`.slice(0, 120);
    const content = this.content as Schemas['ContentIn'];
    await ask(api.POST('/api/v1/formulas', { body: { name, brief_id: this.formula.brief_id, content } }));
    notices.say(`Your draft is kept as a formula of its own: ${name}.`);
    this.save.adopt(theirs);
    this.content = theirs.content;
    this.based_on = theirs.based_on;
    this.rejudge();
  }
}

/** Plain water that is poured as the dough is mixed: not that of a gel, soak or leaven. */
function isPoured(line: FormulaLine): boolean {
  return line.ingredient === 'water' && !OUTSIDE_DOUGH.has(line.stage) && !AHEAD.has(line.stage);
}

async function judge(content: Content): Promise<FormulaJudgement> {
  const body = { content } as Schemas['OnContentIn'];
  return (await ask(api.POST('/api/v1/formula-judgements', { body }))).data;
}
