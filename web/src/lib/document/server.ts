import { api, ask } from '../api/client';
import type { Draft, Head, Whole, Working } from './types';

/** The nouns whose documents the server keeps, by the path of their addresses. */
export type Path = 'blends' | 'formulas' | 'schedules';

// The routes of every noun are made by one machine, and their types are alike but for what is in a document.
type One = '/api/v1/blends/{document_id}';
const one = (path: Path): One => `/api/v1/${path}/{document_id}` as One;

/** What the server does for the documents of one noun. */
export function serverOf<Content>(path: Path) {
  const at = (document_id: number) => ({ path: { document_id } });
  const on = (document_id: number, version: number) => ({
    ...at(document_id),
    header: { 'If-Match': `"${version}"` }
  });
  return {
    async get(id: number): Promise<Whole<Content>> {
      return (await ask(api.GET(one(path), { params: at(id) }))).data as unknown as Whole<Content>;
    },
    async draft(id: number): Promise<Draft<Content>> {
      const { data } = await ask(api.GET(`${one(path)}/draft`, { params: at(id) }));
      return data as unknown as Draft<Content>;
    },
    async saveDraft(id: number, working: Working<Content>, version: number, keepalive: boolean) {
      const call = api.PUT(`${one(path)}/draft`, {
        params: on(id, version),
        body: working as never,
        keepalive
      });
      return (await ask(call)).data as unknown as Draft<Content>;
    },
    async add(name: string, brief_id: number | null, content: Content): Promise<Whole<Content>> {
      const body = { name, brief_id, content } as never;
      return (await ask(api.POST(`/api/v1/${path}` as '/api/v1/blends', { body })))
        .data as unknown as Whole<Content>;
    },
    async saveHead(head: Head, changes: Partial<Head>): Promise<Head> {
      const { name, brief_id, archived } = { ...head, ...changes };
      const call = api.PUT(one(path), {
        params: on(head.id, head.version),
        body: { name, brief_id, archived }
      });
      return (await ask(call)).data;
    },
    async keep(id: number, why: string, version: number): Promise<Whole<Content>> {
      const call = api.POST(`${one(path)}/revisions`, { params: on(id, version), body: { why } });
      return (await ask(call)).data as unknown as Whole<Content>;
    },
    async duplicate(id: number, name: string): Promise<Head> {
      const call = api.POST(`${one(path)}/duplicate`, { params: at(id), body: { name } });
      return (await ask(call)).data.head;
    },
    file: (id: number, format: string, revision?: number): string =>
      `/api/v1/${path}/${id}/export?format=${format}${revision ? `&revision=${revision}` : ''}`
  };
}
