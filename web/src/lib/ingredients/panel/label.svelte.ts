import { api, ask, ProblemError, wordsOf, type Schemas } from '../../api/client';
import { Latest } from '../../ui/state/latest';
import { remembered } from '../../ui/state/remembered';

type LabelIn = Schemas['LabelIn'];

export interface Typed {
  amount: string;
  unit: LabelIn['unit'];
  weighs: string;
  convention: 'inside' | 'apart';
  printed: Record<string, string>;
  lot_id: number | null;
}

export const FIELDS: readonly { name: string; label: string; unit: string; part?: boolean }[] = [
  { name: 'energy_kj', label: 'Energy', unit: 'kJ' },
  { name: 'energy_kcal', label: 'Energy', unit: 'kcal' },
  { name: 'fat_g', label: 'Fat', unit: 'g' },
  { name: 'saturated_fat_g', label: 'saturated', unit: 'g', part: true },
  { name: 'carbohydrate_g', label: 'Carbohydrate', unit: 'g' },
  { name: 'sugars_g', label: 'sugars', unit: 'g', part: true },
  { name: 'fibre_g', label: 'Fibre', unit: 'g' },
  { name: 'protein_g', label: 'Protein', unit: 'g' },
  { name: 'salt_g', label: 'Salt', unit: 'g' },
  { name: 'sodium_mg', label: 'or sodium', unit: 'mg', part: true },
  { name: 'calcium_mg', label: 'Calcium', unit: 'mg' },
  { name: 'iron_mg', label: 'Iron', unit: 'mg' },
  { name: 'potassium_mg', label: 'Potassium', unit: 'mg' }
];

const EMPTY: Typed = { amount: '', unit: 'g', weighs: '', convention: 'apart', printed: {}, lot_id: null };

/** A label panel as it is typed; what was typed is kept in this browser until it is used. */
export class Label {
  typed = $state.raw<Typed>(EMPTY);
  found = $state.raw<Schemas['LabelOut'] | null>(null);
  lines = $state.raw<Schemas['PanelLine'][]>([]);
  wrong = $state('');
  place = $state('');
  readonly slug: string;
  readonly #store: ReturnType<typeof remembered<Typed>>;
  readonly #reading: Latest<LabelIn, Schemas['LabelOut']>;

  constructor(slug: string) {
    this.slug = slug;
    this.#store = remembered<Typed>(`fallow-label-${slug}`, EMPTY);
    this.typed = this.#store.read();
    this.#reading = new Latest(
      async (body) => (await ask(api.POST('/api/v1/labels/try', { body }))).data,
      (found) => {
        this.found = found;
        this.wrong = this.place = '';
      },
      (error) => this.#say(error)
    );
    this.read();
  }

  #say(error: unknown): void {
    this.wrong = wordsOf(error);
    this.place = error instanceof ProblemError ? error.place : '';
  }

  type(changes: Partial<Typed>): void {
    this.typed = { ...this.typed, ...changes };
    this.#store.keep(this.typed);
    this.read();
  }

  print(name: string, value: string): void {
    this.type({ printed: { ...this.typed.printed, [name]: value } });
  }

  get empty(): boolean {
    return !Object.values(this.typed.printed).some((v) => v.trim());
  }

  get #body(): LabelIn {
    const { amount, unit, weighs, convention, printed, lot_id } = this.typed;
    const number = (text: string): number | null => {
      const value = Number(text.trim().replace(',', '.'));
      return text.trim() && Number.isFinite(value) && value > 0 ? value : null;
    };
    return {
      ingredient: this.slug,
      lot_id,
      amount: number(amount),
      unit,
      weighs_g: number(weighs),
      convention,
      printed: Object.fromEntries(Object.entries(printed).filter(([, v]) => v.trim()))
    };
  }

  read(): void {
    if (this.empty) {
      this.found = null;
      this.wrong = '';
    } else this.#reading.ask(this.#body);
  }

  /** Fills the form from the text of a panel; what was not understood is marked line by line. */
  async paste(text: string): Promise<void> {
    try {
      const { data } = await ask(api.POST('/api/v1/labels/understand', { body: { text } }));
      this.lines = data.lines;
      this.type({
        printed: { ...this.typed.printed, ...data.printed },
        ...(data.serving ? { amount: data.serving, unit: data.serving_unit as Typed['unit'] } : {}),
        ...(data.serving_g ? { weighs: data.serving_g } : {}),
        ...(data.convention ? { convention: data.convention } : {})
      });
    } catch (error) {
      this.#say(error);
    }
  }

  /** Puts the panel on record; returns whether that went well. */
  async use(): Promise<boolean> {
    try {
      await ask(api.POST('/api/v1/labels', { body: this.#body }));
      this.#store.keep(EMPTY);
      return true;
    } catch (error) {
      this.#say(error);
      return false;
    }
  }
}
