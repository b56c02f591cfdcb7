import { api, ask } from '../api/client';
import type { FormulaLine, FormulaReference } from './types';

/** What the formula pages need to know once: schools, pans, tins, eggs, moments. */
class Formulas {
  reference = $state.raw<FormulaReference | null>(null);

  async load(): Promise<void> {
    this.reference ??= (await ask(api.GET('/api/v1/formula-reference'))).data;
  }

  /** A new line of plain water, to begin from. */
  get waterLine(): FormulaLine {
    if (!this.reference) throw new Error('The page is still loading; try again in a moment.');
    return this.reference.water_line;
  }
}

export const formulas = new Formulas();
