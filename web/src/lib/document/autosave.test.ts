import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, ask } from '../api/client';
import { Autosave, type Port } from './autosave.svelte';
import type { Draft, Working } from './types';

interface Content {
  parts: { mass_g: number }[];
}

const working = (mass_g: number): Working<Content> => ({ content: { parts: [{ mass_g }] }, based_on: null });
const draft = (mass_g: number, version: number): Draft<Content> => ({
  ...working(mass_g),
  updated_at: '',
  version
});

/** A document of one number, saved where blends are. */
const port: Port<Working<Content>, Draft<Content>> = {
  key: 'draft.1',
  async put(sent, version, keepalive) {
    const params = { path: { document_id: 1 }, header: { 'If-Match': `"${version}"` } };
    const call = api.PUT('/api/v1/blends/{document_id}/draft', { params, body: sent as never, keepalive });
    return (await ask(call)).data as unknown as Draft<Content>;
  },
  same: (a, b) => a.content.parts[0]!.mass_g === b.content.parts[0]!.mass_g
};

interface Sent {
  mass_g: number;
  version: string | null;
}

/** A server that answers as the test says: with the saved draft, with 412, or not at all. */
class FakeServer {
  sent: Sent[] = [];
  held = draft(120, 1);
  dead = false;
  losesAnswer = false;

  readonly fetch = async (request: Request): Promise<Response> => {
    const version = request.headers.get('If-Match');
    const body = (await request.json()) as Working<Content>;
    const mass_g = body.content.parts[0]!.mass_g;
    this.sent.push({ mass_g, version });
    if (this.dead) throw new TypeError('no connection');
    if (version !== `"${this.held.version}"`) {
      return Response.json({ status: 412, detail: 'stale', current: this.held }, { status: 412 });
    }
    this.held = draft(mass_g, this.held.version + 1);
    if (this.losesAnswer) {
      this.losesAnswer = false;
      throw new TypeError('the answer was lost');
    }
    return Response.json(this.held, { headers: { ETag: `"${this.held.version}"` } });
  };
}

let server: FakeServer;

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  server = new FakeServer();
  vi.stubGlobal('fetch', server.fetch);
});

afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

const kept = (): (Working<Content> & { version: number }) | null =>
  JSON.parse(localStorage.getItem('fallow-sieve.draft.1') ?? 'null') as ReturnType<typeof kept>;

describe('a draft that saves itself', () => {
  it('keeps a change in this browser at once, and sends it after a pause', async () => {
    const save = new Autosave(port, server.held);
    save.note(working(130));
    expect(kept()?.content.parts[0]?.mass_g).toBe(130);
    expect(server.sent).toEqual([]);
    expect(save.state).toBe('saving');
    await vi.advanceTimersByTimeAsync(400);
    expect(server.sent).toEqual([{ mass_g: 130, version: '"1"' }]);
    expect(save.state).toBe('saved');
    expect(kept()).toBeNull();
  });

  it('sends only the last of many changes made in a moment', async () => {
    const save = new Autosave(port, server.held);
    [130, 140, 150].forEach((g) => save.note(working(g)));
    await vi.advanceTimersByTimeAsync(400);
    expect(server.sent.map((s) => s.mass_g)).toEqual([150]);
  });

  it('sends what changed while it was sending, on the new version', async () => {
    const save = new Autosave(port, server.held);
    save.note(working(130));
    const flushed = save.flush();
    save.note(working(140));
    await vi.advanceTimersByTimeAsync(1000);
    expect(await flushed).toBe(true);
    expect(server.sent).toEqual([
      { mass_g: 130, version: '"1"' },
      { mass_g: 140, version: '"2"' }
    ]);
    expect(save.version).toBe(3);
  });

  it('waits while nobody answers, tries again, and loses nothing', async () => {
    const save = new Autosave(port, server.held);
    server.dead = true;
    save.note(working(130));
    await vi.advanceTimersByTimeAsync(400);
    expect(save.state).toBe('waiting');
    expect(kept()?.content.parts[0]?.mass_g).toBe(130);
    server.dead = false;
    await vi.advanceTimersByTimeAsync(3100);
    expect(save.state).toBe('saved');
    expect(server.held.content.parts[0]?.mass_g).toBe(130);
  });

  it('goes on from a save whose answer was lost on the way', async () => {
    const save = new Autosave(port, server.held);
    server.losesAnswer = true;
    save.note(working(130));
    await vi.advanceTimersByTimeAsync(4000);
    expect(save.state).toBe('saved');
    expect(save.theirs).toBeNull();
    expect(save.version).toBe(2);
  });
});

describe('a draft that someone else saved', () => {
  it('is never overwritten, and is held beside mine', async () => {
    const save = new Autosave(port, server.held);
    server.held = draft(200, 5);
    save.note(working(130));
    await vi.advanceTimersByTimeAsync(400);
    expect(save.state).toBe('conflict');
    expect(save.theirs?.content.parts[0]?.mass_g).toBe(200);
    expect(server.held.content.parts[0]?.mass_g).toBe(200);
    save.note(working(131));
    await vi.advanceTimersByTimeAsync(4000);
    expect(server.sent).toHaveLength(1);
    expect(kept()?.content.parts[0]?.mass_g).toBe(131);
  });

  it('gives way only when it is said so', async () => {
    const save = new Autosave(port, server.held);
    server.held = draft(200, 5);
    save.note(working(130));
    await vi.advanceTimersByTimeAsync(400);
    const done = save.overwrite();
    await vi.advanceTimersByTimeAsync(100);
    expect(await done).toBe(true);
    expect(server.held).toMatchObject({ version: 6, content: { parts: [{ mass_g: 130 }] } });
  });

  it('is gone on from when it is taken', async () => {
    const save = new Autosave(port, server.held);
    server.held = draft(200, 5);
    save.note(working(130));
    await vi.advanceTimersByTimeAsync(400);
    save.adopt(server.held);
    expect([save.state, save.version, kept()]).toEqual(['saved', 5, null]);
  });
});

describe('what a tab left behind', () => {
  it('is found again when the server still holds the version it was based on', () => {
    new Autosave(port, server.held).note(working(130));
    const later = new Autosave(port, server.held);
    expect(later.unsaved()?.content.parts[0]?.mass_g).toBe(130);
    expect(later.state).toBe('saved');
  });

  it('is a conflict when the server has gone on since', () => {
    new Autosave(port, server.held).note(working(130));
    const later = new Autosave(port, draft(200, 7));
    expect(later.unsaved()?.content.parts[0]?.mass_g).toBe(130);
    expect(later.state).toBe('conflict');
  });

  it('stays a conflict after further changes and another reload, so that theirs is never overwritten unseen', () => {
    new Autosave(port, server.held).note(working(130));
    const second = new Autosave(port, draft(200, 7));
    second.unsaved();
    second.note(working(131));
    const third = new Autosave(port, draft(200, 7));
    expect(third.unsaved()?.content.parts[0]?.mass_g).toBe(131);
    expect(third.state).toBe('conflict');
  });

  it('is a conflict too when the server went back to an older state, from a backup', () => {
    new Autosave(port, draft(120, 9)).note(working(130));
    const later = new Autosave(port, draft(100, 4));
    expect(later.unsaved()?.content.parts[0]?.mass_g).toBe(130);
    expect(later.state).toBe('conflict');
  });

  it('is thrown away when it cannot be read', () => {
    localStorage.setItem('fallow-sieve.draft.1', '{broken');
    expect(new Autosave(port, server.held).unsaved()).toBeNull();
    expect(localStorage.getItem('fallow-sieve.draft.1')).toBeNull();
  });

  it('is nothing where nothing was left', () => {
    expect(new Autosave(port, server.held).unsaved()).toBeNull();
  });
});
