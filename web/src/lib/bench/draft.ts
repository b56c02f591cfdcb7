import { api, ask, type Part, type Schemas } from '../api/client';
import type { Port } from '../saving/autosave.svelte';
import { sameParts } from './moves';

export type Draft = Schemas['DraftOut'];
export interface Working {
  parts: readonly Part[];
  based_on: number | null;
}

/** Where the draft of a blend goes. */
export function blendPort(blend_id: number): Port<Working, Draft> {
  return {
    key: `draft.${blend_id}`,
    async put(working, version, keepalive) {
      const params = { path: { blend_id }, header: { 'If-Match': `"${version}"` } };
      const body = { parts: [...working.parts], based_on: working.based_on };
      return (await ask(api.PUT('/api/v1/blends/{blend_id}/draft', { params, body, keepalive }))).data;
    },
    same: (draft, working) => sameParts(draft.parts, working.parts)
  };
}
