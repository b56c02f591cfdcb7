import { api, ask, asProblem, wordsOf, type Schemas } from '../api/client';

const TYPES: Record<string, string> = {
  csv: 'text/csv',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  zip: 'application/zip'
};

/** A file on its way in: looked at first, then brought in whole, or not at all. */
export class Incoming {
  file = $state.raw<File | null>(null);
  preview = $state.raw<Schemas['PreviewOut'] | null>(null);
  done = $state(0);
  of = $state(0);
  busy = $state<'' | 'looking' | 'writing'>('');
  wrong = $state('');
  #stop: AbortController | null = null;

  get #type(): string {
    return TYPES[this.file?.name.split('.').at(-1)?.toLowerCase() ?? ''] ?? (this.file?.type || 'unknown');
  }

  async look(file: File): Promise<void> {
    this.file = file;
    this.preview = null;
    this.wrong = '';
    this.busy = 'looking';
    try {
      const query = { name: file.name.slice(0, 120) };
      const sent = { params: { query }, headers: { 'Content-Type': this.#type } };
      const { data } = await ask(
        api.POST('/api/v1/shelf/import/preview', {
          ...sent,
          body: file as never,
          bodySerializer: (f: unknown) => f
        })
      );
      this.preview = data;
    } catch (error) {
      this.wrong = `${file.name} cannot be brought in. ${wordsOf(error)}`;
    } finally {
      this.busy = '';
    }
  }

  /** Brings the file in; returns whether all of it is there now. */
  async bring(): Promise<boolean> {
    if (!this.file || !this.preview) return false;
    this.busy = 'writing';
    this.wrong = '';
    this.done = 0;
    this.of = Object.values(this.preview.counts).reduce((sum, n) => sum + n, 0);
    this.#stop = new AbortController();
    try {
      const answer = await fetch(
        `/api/v1/shelf/import?name=${encodeURIComponent(this.file.name.slice(0, 120))}`,
        {
          method: 'POST',
          body: this.file,
          headers: { 'Content-Type': this.#type, 'If-Match': `"${this.preview.version}"` },
          signal: this.#stop.signal
        }
      );
      if (!answer.ok || !answer.body) throw asProblem(await answer.json(), answer.status);
      await this.#follow(answer.body);
      return true;
    } catch (error) {
      this.wrong =
        error instanceof DOMException && error.name === 'AbortError'
          ? 'Stopped. Nothing of it was kept.'
          : `Nothing of it was kept. ${wordsOf(error)}`;
      return false;
    } finally {
      this.busy = '';
    }
  }

  stop(): void {
    this.#stop?.abort();
  }

  /** Reads how far it is, one JSON object a line. */
  async #follow(body: ReadableStream<Uint8Array>): Promise<void> {
    const reader = body
      .pipeThrough(new TextDecoderStream() as never)
      .getReader() as ReadableStreamDefaultReader<string>;
    let rest = '';
    let finished = false;
    for (;;) {
      const { done, value } = await reader.read();
      if (done) break;
      const lines = (rest + value).split('\n');
      rest = lines.pop() ?? '';
      for (const line of lines) finished = this.#note(JSON.parse(line)) || finished;
    }
    if (!finished) throw new Error('The kitchen stopped answering on the way.');
  }

  #note(step: { done?: number; of?: number; finished?: boolean; problem?: unknown }): boolean {
    if (step.problem) throw asProblem(step.problem, 422);
    this.done = step.done ?? this.done;
    this.of = step.of ?? this.of;
    return !!step.finished;
  }
}
