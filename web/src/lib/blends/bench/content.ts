import { api, ask, type Judgement, type Schemas } from '../../api/client';
import type { Noun } from '../../document/document.svelte';
import { sameParts } from './moves';

export type BlendContent = Schemas['BlendContentOut'];

/** What blends say of themselves as documents. */
export const BLEND_NOUN: Noun<BlendContent, Judgement> = {
  name: 'blend',
  path: 'blends',
  key: (id) => `draft.${id}`,
  bench: (id) => `/bench/${id}`,
  same: (a, b) => a === b || (a.use === b.use && sameParts(a.parts, b.parts)),
  isEmpty: (content) => !content.parts.length,
  async judge({ parts, use }, { brief_id }) {
    return (await ask(api.POST('/api/v1/analyse', { body: { parts, use, brief_id } }))).data;
  },
  // Drafts of an older version held the parts alone.
  upgrade(kept, { use }) {
    const { content, parts = [] } = kept as { content?: BlendContent; parts?: BlendContent['parts'] };
    return content ?? { use, parts };
  }
};
