import type { Schemas } from '../api/client';

export type Head = Schemas['HeadOut'];

/** A document as it stands on the bench, and the revision that it started from. */
export interface Draft<Content> {
  content: Content;
  based_on: number | null;
  updated_at: string;
  version: number;
}

/** A kept state of a document, with why. */
export interface Revision<Content> {
  number: number;
  content: Content;
  why: string;
  based_on: number | null;
  kept_at: string;
}

/** A document with its draft and revisions, as it is fetched. */
export interface Whole<Content> {
  head: Head;
  draft: Draft<Content>;
  revisions: Revision<Content>[];
}

/** What is saved of a draft. */
export interface Working<Content> {
  content: Content;
  based_on: number | null;
}
