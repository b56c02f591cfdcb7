import { api, ask, type BlendOut, type Judgement, type Part } from '../api/client';

/** One side of a comparison: a blend as it stands on the bench (0) or at a kept revision. */
export interface Side {
  blend: BlendOut;
  revision: number;
  parts: readonly Part[];
  judgement: Judgement;
}

export function label(side: Side): string {
  return `${side.blend.blend.name}, ${side.revision ? `revision ${side.revision}` : 'on the bench'}`;
}

/** Fetches and judges one side; both sides are judged for the use and brief of `as`, or else of their own. */
export async function loadSide(blend_id: number, revision: number, as?: BlendOut): Promise<Side> {
  const { data: blend } = await ask(api.GET('/api/v1/blends/{blend_id}', { params: { path: { blend_id } } }));
  const kept = blend.revisions.find((r) => r.number === revision);
  const parts = kept?.parts ?? blend.draft.parts;
  if (!parts.length) throw new Error(`${blend.blend.name} is empty: there is nothing to compare yet.`);
  const judged = as ?? blend;
  const body = { parts: [...parts], use: judged.blend.use, brief_id: judged.blend.brief_id };
  const { data: judgement } = await ask(api.POST('/api/v1/analyse', { body }));
  return { blend, revision: kept ? revision : 0, parts, judgement };
}
