import { api, ask, type Ingredient, type Schemas } from '../../api/client';
import { SMALLEST_G, stepFor } from '../../ui/cell/steps';
import { Document } from '../../document/document.svelte';
import type { Whole } from '../../document/types';
import { notices } from '../../ui/state/notices.svelte';
import { BLEND, BLEND_LINE, MOMENTS, type Content, type FormulaJudgement, type FormulaLine } from '../types';
import { formulas } from '../reference.svelte';
import { FORMULA_NOUN, judge } from './content';

export type Tab =
  'balance' | 'water' | 'binder' | 'scale' | 'swap' | 'bake' | 'finished' | 'bag' | 'revisions';

/** One formula on its bench: what is in it, what the core says of it, and everything that can be done to it. */
export class FormulaBench extends Document<Content, FormulaJudgement> {
  /** A kept revision that is compared with, and its judgement. */
  ghost = $state.raw<{ number: number; content: Content; judgement: FormulaJudgement } | null>(null);
  /** Whether a newer revision of the blend is there, and what it would change. */
  pin = $state.raw<Schemas['NewerBlend'] | null>(null);
  selected = $state<number | null>(null);
  tab = $state<Tab>('balance');

  constructor(found: Whole<Content>) {
    super(FORMULA_NOUN, found);
  }

  readonly lines = $derived(this.content.lines);
  /** What an ingredient can be added to sees these as its parts. */
  readonly parts = $derived(this.content.lines);

  override get beside(): number | null {
    return this.ghost?.number ?? null;
  }

  override async start(): Promise<void> {
    await super.start();
    void this.lookAtPin();
  }

  protected override replaced(): void {
    void this.lookAtPin();
  }

  /** Asks whether the pinned blend has a newer revision. */
  async lookAtPin(): Promise<void> {
    if (!this.content.blend?.blend_id) {
      this.pin = null;
      return;
    }
    try {
      this.pin = (await ask(api.POST('/api/v1/formula-pins', { body: { content: this.content } }))).data;
    } catch {
      this.pin = null; // what is wrong with the formula, its judgement says
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

  /** The lines of plain water that are poured, the largest first, as the core last told them apart. */
  readonly #poured = $derived.by(() =>
    (this.judgement?.poured.lines ?? []).filter((n) => this.factsOf(n) !== undefined)
  );

  /** Water that is poured as the dough is mixed, g. */
  readonly poured_g = $derived.by(() => this.#poured.reduce((sum, n) => sum + this.lines[n]!.mass_g, 0));

  /** Water of what is made ahead, in a gel, soak or leaven, g. */
  readonly ahead_g = $derived(this.judgement?.poured.ahead_g ?? 0);

  /** Returns the content with so much water (g) poured, in its largest water line or a new one. */
  withWater(mass_g: number): Content {
    const [most, ...rest] = this.#poured;
    const others = rest.reduce((sum, n) => sum + this.lines[n]!.mass_g, 0);
    const wanted = Math.max(SMALLEST_G, mass_g - others);
    if (most === undefined) {
      const line = { ...formulas.waterLine, mass_g: wanted };
      return { ...this.content, lines: [...this.lines, line] };
    }
    const lines = this.lines.map((l, n) => (n === most ? { ...l, mass_g: wanted } : l));
    return { ...this.content, lines };
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

  /** Puts the lines in the order of the work; lines of one moment stay as they stand. */
  sortByWhen(): void {
    const order = Object.keys(MOMENTS);
    this.selected = null;
    this.set({ lines: this.lines.toSorted((a, b) => order.indexOf(a.when) - order.indexOf(b.when)) });
  }

  /** Adds an ingredient where it commonly goes in, at what is missing of it or usual. */
  async add(item: Pick<Ingredient, 'slug'>): Promise<void> {
    const body = { content: this.content, ingredient: item.slug };
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

  /** Compares with a kept revision, or with nothing. */
  override async showBeside(number: number | null): Promise<void> {
    const found = this.revisions.find((r) => r.number === number);
    this.ghost = found
      ? { number: found.number, content: found.content, judgement: await judge(found.content) }
      : null;
  }
}
