import createClient from 'openapi-fetch';
import { KITCHEN } from '../begin/look';
import type { components, paths } from './schema';

export type Schemas = components['schemas'];
export type Part = Schemas['Part'];
export type Judgement = Schemas['Judgement'];
export type Analysis = Schemas['Analysis'];
export type BandResult = Schemas['BandResult'];
export type BlendOut = Schemas['BlendOut'];
export type Revision = Schemas['BlendRevisionOut'];
export type Ingredient = Schemas['IngredientOut'];
export type BriefSummary = Schemas['BriefStanding'];
export type BlendSummary = Schemas['BlendSummary'];

/** An error as the API says it (RFC 9457): what is wrong, where, and what would be right. */
export class ProblemError extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly place = '',
    readonly current: unknown = null
  ) {
    super(message);
  }
}

export const api = createClient<paths>({
  baseUrl: '',
  headers: { 'X-Kitchen': KITCHEN },
  fetch: (request) => fetch(request)
});

interface Answer<T> {
  data?: T;
  error?: unknown;
  response: Response;
}

/** Returns what the API answered and its ETag; throws a ProblemError otherwise, also where nobody answers. */
export async function ask<T>(call: Promise<Answer<T>>): Promise<{ data: T; version: string }> {
  let answer: Answer<T>;
  try {
    answer = await call;
  } catch {
    throw new ProblemError(0, 'The kitchen does not answer. Is the application still running?');
  }
  const { data, error, response } = answer;
  if (!response.ok || data === undefined) throw asProblem(error, response.status);
  return { data, version: response.headers.get('ETag') ?? '' };
}

/** Returns the items of every page of a list, fetched one page after the other. */
export async function allPages<T>(
  page: (cursor: number) => Promise<{ data: { items: T[]; next: string | null } }>
): Promise<T[]> {
  const found: T[] = [];
  let cursor = 0;
  do {
    const { data } = await page(cursor);
    found.push(...data.items);
    cursor = Number(data.next ?? 0);
  } while (cursor);
  return found;
}

/** Returns a ProblemError from the body of an answer that is one. */
export function asProblem(body: unknown, status: number): ProblemError {
  const given = (typeof body === 'object' && body !== null ? body : {}) as Partial<Schemas['Problem']>;
  const detail = given.detail ?? `The server answered ${status}.`;
  return new ProblemError(status, detail, given.place ?? '', given.current ?? null);
}

/** Returns the words of any error, for people. */
export function wordsOf(error: unknown): string {
  return error instanceof Error ? error.message : String(error);
}
