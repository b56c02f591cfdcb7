import { api, ask, wordsOf, type Schemas } from '../../api/client';
import { follow } from '../../api/stream';

/** How far an import is. */
interface Step {
  done?: number;
  of?: number;
  finished?: boolean;
}

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
      let finished = false;
      await follow<Step>(answer, (step) => (finished = this.#note(step) || finished));
      if (!finished) throw new Error('The kitchen stopped answering on the way.');
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

  /** Notes how far it is. */
  #note(step: Step): boolean {
    this.done = step.done ?? this.done;
    this.of = step.of ?? this.of;
    return !!step.finished;
  }
}
