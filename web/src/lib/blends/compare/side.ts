import { api, ask, type BlendOut, type Judgement, type Part } from '../../api/client';
import { serverOf } from '../../document/server';
import type { BlendContent } from '../bench/content';

/** One side of a comparison: a blend as it stands on the bench (0) or at a kept revision. */
export interface Side {
  blend: BlendOut;
  revision: number;
  parts: readonly Part[];
  judgement: Judgement;
}

export function label(side: Side): string {
  return `${side.blend.head.name}, ${side.revision ? `revision ${side.revision}` : 'on the bench'}`;
}

/** Fetches and judges one side; both sides are judged for the use and brief of `as`, or else of their own. */
export async function loadSide(blend_id: number, revision: number, as?: BlendOut): Promise<Side> {
  const blend: BlendOut = await serverOf<BlendContent>('blends').get(blend_id);
  const kept = blend.revisions.find((r) => r.number === revision);
  const content = kept?.content ?? blend.draft.content;
  const { parts } = content;
  if (!parts.length) throw new Error(`${blend.head.name} is empty: there is nothing to compare yet.`);
  const { use } = as?.draft.content ?? content;
  const body = { parts, use, brief_id: (as ?? blend).head.brief_id };
  const { data: judgement } = await ask(api.POST('/api/v1/analyse', { body }));
  return { blend, revision: kept ? revision : 0, parts, judgement };
}
