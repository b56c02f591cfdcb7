import { api, ask, type Schemas } from '../../api/client';

export type MixOnRecord = Schemas['MixOnRecord'];

/** The mixes on record for each use, asked for once a use. */
class Practice {
  #found = $state.raw<Record<string, readonly MixOnRecord[]>>({});
  readonly #asked = new Set<string>();

  /** Returns the mixes of a use of one class; none until they are there. */
  of(use: string, mix_class: string): readonly MixOnRecord[] {
    return (this.#found[use] ?? []).filter((m) => m.mix_class === mix_class);
  }

  /** Asks for the mixes of a use. Where that fails the sieves stand without them, and it is asked again later. */
  async load(use: string): Promise<void> {
    if (this.#asked.has(use)) return;
    this.#asked.add(use);
    try {
      const params = { path: { use } };
      const { data } = await ask(api.GET('/api/v1/practice/{use}', { params }));
      this.#found = { ...this.#found, [use]: data.mixes };
    } catch {
      this.#asked.delete(use);
    }
  }
}

export const practice = new Practice();

/** Returns where the mixes lie on a metric, each named by what it is made of and why it works. */
export function ticksOf(mixes: readonly MixOnRecord[], metric: string): { at: number; says: string }[] {
  return mixes.flatMap((m) => {
    const at = m.values[metric];
    return at === undefined ? [] : [{ at, says: `${m.made_of}. ${m.why}` }];
  });
}
