import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { problem, TestServer } from '../../testing/server';
import { Incoming } from './files.svelte';

let server: TestServer;
const PREVIEW = { counts: { new: 2, changed: 1, same: 0, refused: 0 }, rows: [], version: 7 };
const file = new File(['slug,name,role\n'], 'mine.csv', { type: '' });

/** An answer that comes in pieces, cut anywhere. */
function lines(...pieces: string[]): Response {
  const encoder = new TextEncoder();
  const body = new ReadableStream({
    start(controller) {
      pieces.forEach((p) => controller.enqueue(encoder.encode(p)));
      controller.close();
    }
  });
  return new Response(body);
}

beforeEach(() => {
  server = new TestServer().on('POST', '/import/preview', () => PREVIEW);
});

afterEach(() => vi.unstubAllGlobals());

async function looked(): Promise<Incoming> {
  const incoming = new Incoming();
  await incoming.look(file);
  return incoming;
}

describe('a file on its way in', () => {
  it('is looked at before anything is written', async () => {
    const incoming = await looked();
    expect(incoming.preview?.counts.new).toBe(2);
    expect(server.asked.map((a) => a.path)).toEqual(['/api/v1/shelf/import/preview']);
    expect(incoming.busy).toBe('');
  });

  it('is brought in on the state that was looked at, and says how far it is', async () => {
    server.on('POST', '/shelf/import', () =>
      lines('{"done": 1, "of": 3}\n{"do', 'ne": 2, "of": 3}\n', '{"done": 3, "of": 3, "finished": true}\n')
    );
    const incoming = await looked();
    expect(await incoming.bring()).toBe(true);
    expect([incoming.done, incoming.of, server.last.version]).toEqual([3, 3, '"7"']);
  });

  it('is not in where the answer ends early', async () => {
    server.on('POST', '/shelf/import', () => lines('{"done": 1, "of": 3}\n'));
    const incoming = await looked();
    expect(await incoming.bring()).toBe(false);
    expect(incoming.wrong).toContain('Nothing of it was kept. The kitchen stopped answering');
  });

  it('says what went wrong half way', async () => {
    server.on('POST', '/shelf/import', () =>
      lines('{"done": 1, "of": 3}\n', '{"problem": {"detail": "The disk is full"}}\n')
    );
    const incoming = await looked();
    expect(await incoming.bring()).toBe(false);
    expect(incoming.wrong).toBe('Nothing of it was kept. The disk is full');
  });

  it('says that the shelf has changed since it was looked at', async () => {
    server.on('POST', '/shelf/import', () => problem(412, 'someone saved this in between'));
    const incoming = await looked();
    expect(await incoming.bring()).toBe(false);
    expect(incoming.wrong).toContain('someone saved this in between');
  });

  it('names the file that cannot be read', async () => {
    server.on('POST', '/import/preview', () => problem(422, 'byte 3 is not UTF-8 text'));
    const incoming = await looked();
    expect([incoming.preview, incoming.wrong]).toEqual([
      null,
      'mine.csv cannot be brought in. byte 3 is not UTF-8 text'
    ]);
    expect(await incoming.bring()).toBe(false);
  });
});
