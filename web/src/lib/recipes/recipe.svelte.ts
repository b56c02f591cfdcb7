import { api, ask, wordsOf, type BlendSummary, type Schemas } from '../api/client';
import { serverOf } from '../document/server';
import { Latest } from '../ui/state/latest';
import { remembered } from '../ui/state/remembered';

type School = Schemas['FormulaContentOut']['school'];

interface Kept {
  text: string;
  chosen: Record<string, string>;
}
type Habit = Schemas['ReadIn']['habit'];
interface Asked extends Kept {
  habit: Habit;
  blend: Schemas['PinnedOut'] | null;
  use: string | null;
  school: School;
  off: readonly string[];
}
interface Answer {
  read: Schemas['ReadOut'];
  over: Schemas['ConvertOut'] | null;
  cannot: string;
}

/** A recipe that was pasted: its text, what a person chose for its lines, and what it becomes with a blend. */
export class Recipe {
  text = $state('');
  chosen = $state.raw<Record<string, string>>({});
  /** Whose cups and eggs, where a person has said so; else as the text shows. */
  habit = $state<Habit>(null);
  blend = $state.raw<Schemas['PinnedOut'] | null>(null);
  use = $state<string | null>(null);
  school = $state<School>(null);
  off = $state.raw<readonly string[]>([]);
  read = $state.raw<Schemas['ReadOut'] | null>(null);
  over = $state.raw<Schemas['ConvertOut'] | null>(null);
  blends = $state.raw<BlendSummary[]>([]);
  /** Why it cannot be made over yet. */
  cannot = $state('');
  trouble = $state('');
  readonly #kept = remembered<Kept>('fallow-sieve.recipe', { text: '', chosen: {} });
  readonly #asking = new Latest<Asked, Answer>(
    (asked) => work(asked),
    (found) => {
      this.read = found.read;
      this.over = found.over;
      this.cannot = found.cannot;
      this.trouble = '';
    },
    (error) => (this.trouble = wordsOf(error)),
    120
  );

  constructor() {
    const { text, chosen } = this.#kept.read();
    this.text = text;
    this.chosen = chosen;
  }

  /** Reads and makes over anew; what was pasted stays in this browser. */
  work(): void {
    const { text, chosen, habit, blend, use, school, off } = this;
    this.#kept.keep({ text, chosen });
    if (text.trim()) {
      this.#asking.ask({ text, chosen, habit, blend, use, school, off });
    } else {
      this.#asking.forget();
      this.read = this.over = null;
    }
  }

  /** Takes another text; choices made for the lines of the one before do not belong to it. */
  paste(text: string): void {
    const lines = (t: string): string[] => t.split('\n');
    const [old, fresh] = [lines(this.text), lines(text)];
    const stays = Object.entries(this.chosen).filter(([n]) => old[Number(n) - 1] === fresh[Number(n) - 1]);
    this.chosen = Object.fromEntries(stays);
    this.text = text;
  }

  choose(line: number, slug: string): void {
    this.chosen = { ...this.chosen, [line]: slug };
  }

  toggle(key: string): void {
    this.off = this.off.includes(key) ? this.off.filter((k) => k !== key) : [...this.off, key];
  }

  /** Pins the newest kept revision of a blend, or its draft where none is kept. */
  async takeBlend(blend_id: number | null): Promise<void> {
    if (blend_id === null) {
      this.blend = null;
      return;
    }
    const found = await serverOf<Schemas['BlendContentOut']>('blends').get(blend_id);
    const last = found.revisions.at(-1);
    const { parts, use } = last?.content ?? found.draft.content;
    this.blend = { blend_id, revision: last?.number ?? null, name: found.head.name, parts };
    this.use ??= use;
  }
}

async function work(asked: Asked): Promise<Answer> {
  const { text, chosen, habit, blend, use, school, off } = asked;
  if (blend && use) {
    const body = { text, chosen, habit, blend, use, school, off: [...off] };
    try {
      const over = (await ask(api.POST('/api/v1/recipes/convert', { body }))).data;
      return { read: over.read, over, cannot: '' };
    } catch (error) {
      const read = (await ask(api.POST('/api/v1/recipes/read', { body: { text, chosen, habit } }))).data;
      return { read, over: null, cannot: wordsOf(error) };
    }
  }
  const read = (await ask(api.POST('/api/v1/recipes/read', { body: { text, chosen, habit } }))).data;
  return { read, over: null, cannot: '' };
}
