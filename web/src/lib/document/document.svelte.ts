import { api, ask, wordsOf, type BriefSummary } from '../api/client';
import type { Undoable } from '../app/undo.svelte';
import { Latest } from '../ui/state/latest';
import { notices } from '../ui/state/notices.svelte';
import { Autosave } from './autosave.svelte';
import { History, historyOf, leave } from './history';
import { serverOf, type Path } from './server';
import type { Draft, Head, Revision, Whole, Working } from './types';

/** Faster than the eye follows a number, slow enough to leave the frames to the hand. */
const JUDGE_EVERY_MS = 40;

/** What a noun says of its documents: where they are kept, when two are the same or empty, and how they are judged. */
export interface Noun<Content, Judgement> {
  /** What one is called, in sentences. */
  readonly name: string;
  readonly path: Path;
  /** Under which name an unsaved draft is kept in this browser. */
  key(id: number): string;
  /** The address of its bench. */
  bench(id: number): string;
  same(a: Content, b: Content): boolean;
  isEmpty(content: Content): boolean;
  judge(content: Content, head: Head): Promise<Judgement>;
  /** Makes a draft that an older version kept in this browser one of today's. */
  upgrade(kept: object, content: Content): Content;
}

/** A document on its bench: its content, what the core says of it, its revisions, undo, and how it is saved. */
export class Document<Content, Judgement> implements Undoable {
  head: Head;
  content = $state.raw<Content>(null!);
  judgement = $state.raw<Judgement | null>(null);
  revisions = $state.raw<Revision<Content>[]>([]);
  based_on = $state<number | null>(null);
  brief = $state.raw<BriefSummary | null>(null);
  trouble = $state('');
  canUndo = $state(false);
  canRedo = $state(false);
  readonly save: Autosave<Working<Content>, Draft<Content>>;
  readonly server;
  readonly #history: History<Content>;
  readonly #judging: Latest<Content, Judgement>;

  constructor(
    readonly noun: Noun<Content, Judgement>,
    found: Whole<Content>
  ) {
    this.head = $state(found.head);
    this.content = found.draft.content;
    this.revisions = found.revisions;
    this.#history = historyOf(noun.key(found.head.id), found.draft.content, (a, b) => noun.same(a, b));
    this.canUndo = this.#history.canUndo;
    this.canRedo = this.#history.canRedo;
    this.based_on = found.draft.based_on;
    this.server = serverOf<Content>(noun.path);
    this.save = new Autosave(
      {
        key: noun.key(found.head.id),
        put: (working, version, keepalive) =>
          this.server.saveDraft(this.head.id, working, version, keepalive),
        same: (draft, working) => noun.same(draft.content, working.content)
      },
      found.draft
    );
    this.#judging = new Latest(
      (content) => noun.judge(content, this.head),
      (judgement) => {
        this.judgement = judgement;
        this.trouble = '';
        this.judged(judgement);
      },
      (error) => (this.trouble = wordsOf(error)),
      JUDGE_EVERY_MS
    );
  }

  readonly isEmpty = $derived.by(() => this.noun.isEmpty(this.content));
  readonly kept = $derived.by(() =>
    this.revisions.some((r) => r.number === this.based_on && this.noun.same(r.content, this.content))
  );

  /** What a noun does with a fresh judgement. */
  protected judged(_judgement: Judgement): void {}

  /** What a noun looks at anew when the content was put there whole: by undo, a revision, or theirs. */
  protected replaced(): void {}

  /** Starts: restores what was not saved, finds the brief, judges. */
  async start(): Promise<void> {
    await this.#restoreUnsaved();
    if (this.head.brief_id) {
      const params = { path: { brief_id: this.head.brief_id } };
      this.brief = (await ask(api.GET('/api/v1/briefs/{brief_id}', { params }))).data;
    }
    this.rejudge();
  }

  async #restoreUnsaved(): Promise<void> {
    const kept = this.save.unsaved();
    if (!kept) return;
    const content = this.noun.upgrade(kept, this.content);
    const unsaved = { content, based_on: kept.based_on };
    if (this.noun.same(unsaved.content, this.content)) {
      this.save.adopt(await this.server.draft(this.head.id));
      return;
    }
    if (this.save.state === 'conflict') {
      this.save.theirs = { ...(await this.server.draft(this.head.id)) };
    } else {
      this.save.note(unsaved);
      notices.say('Changes that were not saved before were found in this browser and put back.');
    }
    this.content = unsaved.content;
    this.based_on = unsaved.based_on;
  }

  rejudge(): void {
    if (this.isEmpty) {
      this.#judging.forget();
      this.judgement = null;
    } else {
      this.#judging.ask(this.content);
    }
  }

  /** Shows a content while a hand moves, without a step of undo; `commit` makes it one. */
  preview(content: Content): void {
    this.content = content;
    this.rejudge();
  }

  /** Makes `content` the document, as one step of undo from `before`. */
  commit(content: Content, before: Content = this.content): void {
    this.content = content;
    if (this.noun.same(content, before)) return;
    this.#history.note(before);
    this.#changed();
  }

  set(change: Partial<Content>): void {
    this.commit({ ...this.content, ...change });
  }

  #changed(): void {
    this.canUndo = this.#history.canUndo;
    this.canRedo = this.#history.canRedo;
    leave(this.noun.key(this.head.id), this.#history, this.content);
    this.save.note({ content: this.content, based_on: this.based_on });
    this.rejudge();
  }

  undo(): void {
    this.#goTo(this.#history.undo(this.content));
  }

  redo(): void {
    this.#goTo(this.#history.redo(this.content));
  }

  #goTo(content: Content | null): void {
    if (!content) return;
    this.content = content;
    this.#changed();
    this.replaced();
  }

  /** Keeps the draft as a revision; every change is saved first. */
  async keep(why: string): Promise<void> {
    if (!(await this.save.flush())) throw new Error('The draft is not saved yet, so nothing was kept.');
    const found = await this.server.keep(this.head.id, why, this.save.version);
    this.revisions = found.revisions;
    this.based_on = found.draft.based_on;
    this.save.adopt(found.draft);
    await this.showBeside(null);
  }

  /** Puts a kept revision on the bench, as one step of undo. */
  restore(revision: Revision<Content>): void {
    this.based_on = revision.number;
    this.commit(revision.content);
    this.replaced();
  }

  /** The number of the revision that stands beside the bench, or null. */
  get beside(): number | null {
    return null;
  }

  /** Puts a revision beside the bench, or nothing; a noun says how it is drawn. */
  async showBeside(_number: number | null): Promise<void> {}

  async saveHead(changes: Partial<Pick<Head, 'name' | 'brief_id' | 'archived'>>): Promise<void> {
    this.head = await this.server.saveHead(this.head, changes);
    if (changes.brief_id !== undefined) this.rejudge();
  }

  /** Makes a copy of the draft; returns its head. */
  async duplicate(): Promise<Head> {
    if (!(await this.save.flush())) throw new Error('The draft is not saved yet; try again in a moment.');
    return this.server.duplicate(this.head.id, `${this.head.name}, copy`.slice(0, 120));
  }

  /** Takes the other of two drafts; mine becomes a document of its own. */
  async takeTheirs(): Promise<void> {
    const theirs = this.save.theirs;
    if (!theirs) return;
    if (!this.isEmpty) {
      const name = `${this.head.name} (my draft)`.slice(0, 120);
      await this.server.add(name, this.head.brief_id, this.content);
      notices.say(`Your draft is kept as a ${this.noun.name} of its own: ${name}.`);
    }
    this.save.adopt(theirs);
    this.content = theirs.content;
    this.based_on = theirs.based_on;
    this.rejudge();
    this.replaced();
  }
}
