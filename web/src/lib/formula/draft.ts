import { api, ask, type Schemas } from '../api/client';
import type { Port } from '../saving/autosave.svelte';
import type { Content } from './types';

export type FormulaDraft = Schemas['FormulaDraftOut'];
export interface FormulaWorking {
  content: Content;
  based_on: number | null;
}

/** Returns a content as text that is the same for the same content. */
export function fingerprint(content: Content): string {
  const { use, consistency, school, pieces, pan, method, blend, lines } = content;
  const parts = blend?.parts.map((p) => [p.ingredient, p.mass_g, p.lot_id ?? 0]) ?? [];
  const rows = lines.map((l) => [l.ingredient, l.mass_g, l.stage, l.note]);
  return JSON.stringify([
    use,
    consistency,
    school,
    pieces,
    pan,
    method,
    blend?.blend_id,
    blend?.revision,
    parts,
    rows
  ]);
}

/** Returns whether two contents are the same. */
export function sameContent(a: Content, b: Content): boolean {
  return a === b || fingerprint(a) === fingerprint(b);
}

/** Where the draft of a formula goes. */
export function formulaPort(formula_id: number): Port<FormulaWorking, FormulaDraft> {
  return {
    key: `formula.${formula_id}`,
    async put(working, version, keepalive) {
      const params = { path: { formula_id }, header: { 'If-Match': `"${version}"` } };
      const body = working as Schemas['FormulaDraftIn'];
      return (await ask(api.PUT('/api/v1/formulas/{formula_id}/draft', { params, body, keepalive }))).data;
    },
    same: (draft, working) => sameContent(draft.content, working.content)
  };
}
