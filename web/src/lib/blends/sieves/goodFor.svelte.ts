import { api, ask, type BandResult, type Part, type Schemas } from '../../api/client';

/** What a mix is good for: its standing for every use, and the sieves of one of them when it is opened. */
export class AllUses {
  found = $state.raw<Schemas['GoodFor'] | null>(null);
  open = $state<string | null>(null);
  sieves = $state.raw<readonly BandResult[]>([]);

  async ask(parts: readonly Part[]): Promise<void> {
    if (!parts.length) {
      this.found = null;
      return;
    }
    this.found = (await ask(api.POST('/api/v1/good-for', { body: { parts: [...parts] } }))).data;
    if (this.open) await this.#judge(parts, this.open);
  }

  /** Shows the sieves of a use, or closes them. */
  async toggle(parts: readonly Part[], use: string): Promise<void> {
    this.open = this.open === use ? null : use;
    this.sieves = [];
    if (this.open) await this.#judge(parts, use);
  }

  async #judge(parts: readonly Part[], use: string): Promise<void> {
    const body = { parts: [...parts], use, brief_id: null };
    const { data } = await ask(api.POST('/api/v1/analyse', { body }));
    if (this.open === use) this.sieves = data.fit?.bands ?? [];
  }
}
