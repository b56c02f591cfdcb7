import { vi } from 'vitest';

export interface Asked {
  method: string;
  path: string;
  query: URLSearchParams;
  body: unknown;
  version: string | null;
}

type Answer = (asked: Asked) => unknown;

/** A server for tests: answers by method and the end of the path, and notes what it was asked. */
export class TestServer {
  asked: Asked[] = [];
  readonly #answers: { method: string; end: string; answer: Answer }[] = [];

  constructor() {
    vi.stubGlobal('fetch', (input: Request | string, init?: RequestInit) => this.#fetch(input, init));
  }

  on(method: string, end: string, answer: Answer): this {
    this.#answers.unshift({ method, end, answer });
    return this;
  }

  get last(): Asked {
    return this.asked.at(-1)!;
  }

  /** The last that was asked of paths with this end. */
  lastOf(end: string): Asked | undefined {
    return this.asked.findLast((a) => a.path.endsWith(end));
  }

  /** Lets every answer that is on its way arrive. */
  async settle(): Promise<void> {
    for (let n = 0; n < 20; n++) await new Promise((done) => setTimeout(done, 0));
  }

  async #fetch(input: Request | string, init?: RequestInit): Promise<Response> {
    const request = typeof input === 'string' ? new Request(new URL(input, 'http://here'), init) : input;
    const url = new URL(request.url, 'http://here');
    const text = request.method === 'GET' ? '' : await request.text();
    let body: unknown = text;
    try {
      body = JSON.parse(text);
    } catch {
      // A file is no JSON, and stays as it is.
    }
    const asked = {
      method: request.method,
      path: url.pathname,
      query: url.searchParams,
      body,
      version: request.headers.get('If-Match')
    };
    this.asked.push(asked);
    const found = this.#answers.find((a) => a.method === asked.method && asked.path.endsWith(a.end));
    if (!found) throw new TypeError(`nobody answers ${asked.method} ${asked.path}`);
    const answer = found.answer(asked);
    return answer instanceof Response ? answer : Response.json(answer);
  }
}

/** An error as the API says it. */
export function problem(status: number, detail: string, place = ''): Response {
  return Response.json({ type: 'about:blank', title: '', status, detail, place }, { status });
}
