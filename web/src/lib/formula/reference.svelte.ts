import { api, ask } from '../api/client';
import type { FormulaReference } from './types';

/** What the formula pages need to know once: schools, pans, tins, eggs. */
class Formulas {
  reference = $state.raw<FormulaReference | null>(null);

  async load(): Promise<void> {
    this.reference ??= (await ask(api.GET('/api/v1/formula-reference'))).data;
  }
}

export const formulas = new Formulas();
