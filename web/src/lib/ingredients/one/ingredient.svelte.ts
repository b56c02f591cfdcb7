import { api, ask, type Schemas } from '../../api/client';
import { notices } from '../../ui/state/notices.svelte';

export type Whole = Schemas['WholeIngredientOut'];
export type NumberRow = Schemas['NumberOut'];
export type Layer = Schemas['LayerNumberOut'];
type LotIn = Schemas['LotIn'];

/** One ingredient in full: its numbers, its lots, and what was found out about its bags. */
export class OneIngredient {
  whole = $state.raw<Whole>(null!);
  lots = $state.raw<Schemas['LotsOut']>(null!);
  findings = $state.raw<Schemas['FindingOut'][]>([]);
  readonly slug: string;

  constructor(slug: string) {
    this.slug = slug;
  }

  async load(): Promise<void> {
    const params = { path: { slug: this.slug } };
    const [whole, lots, findings] = await Promise.all([
      ask(api.GET('/api/v1/ingredients/{slug}/whole', { params })),
      ask(api.GET('/api/v1/ingredients/{slug}/lots', { params })),
      ask(api.GET('/api/v1/ingredients/{slug}/findings', { params }))
    ]);
    this.whole = whole.data;
    this.lots = lots.data;
    this.findings = findings.data.items;
  }

  get #stamp(): { 'If-Match': string } {
    return { 'If-Match': `"${this.whole.version}"` };
  }

  async setNumber(field: string, body: Schemas['NumberIn']): Promise<void> {
    const params = { path: { slug: this.slug, field }, header: this.#stamp };
    this.whole = (await ask(api.PUT('/api/v1/ingredients/{slug}/numbers/{field}', { params, body }))).data;
  }

  /** The flours that this one can borrow from where how it behaves is not known. */
  async relatives(): Promise<Schemas['RelativesOut']> {
    const params = { path: { slug: this.slug } };
    return (await ask(api.GET('/api/v1/ingredients/{slug}/relatives', { params }))).data;
  }

  /** Takes what it lacks from a relative, with twice the range. */
  async borrow(relative: string): Promise<void> {
    const params = { path: { slug: this.slug }, header: this.#stamp };
    const body = { relative };
    this.whole = (await ask(api.POST('/api/v1/ingredients/{slug}/borrowings', { params, body }))).data;
  }

  async dropNumber(field: string): Promise<void> {
    const params = { path: { slug: this.slug, field }, header: this.#stamp };
    this.whole = (await ask(api.DELETE('/api/v1/ingredients/{slug}/numbers/{field}', { params }))).data;
  }

  /** Back to the table's number, or to the own one again. */
  async setAside(field: string, aside: boolean): Promise<void> {
    const params = { path: { slug: this.slug, field }, header: this.#stamp };
    const body = { aside };
    this.whole = (
      await ask(api.PUT('/api/v1/ingredients/{slug}/numbers/{field}/aside', { params, body }))
    ).data;
  }

  async save(changes: Partial<Schemas['IngredientIn']>): Promise<void> {
    const { name, role, functions, flavour_words, allergens, watch, gluten_risk, archived } = this.whole;
    const body: Schemas['IngredientIn'] = {
      name,
      role,
      functions,
      flavour_words,
      allergens,
      watch,
      gluten_risk,
      archived,
      ...changes
    };
    const params = { path: { slug: this.slug }, header: this.#stamp };
    this.whole = (await ask(api.PUT('/api/v1/ingredients/{slug}', { params, body }))).data;
  }

  async remove(): Promise<void> {
    await askNothing(api.DELETE('/api/v1/ingredients/{slug}', { params: { path: { slug: this.slug } } }));
  }

  /** Adds a lot, or saves one that is there. */
  async saveLot(lot: Schemas['LotFullOut'] | null, body: LotIn): Promise<void> {
    if (lot) {
      const params = { path: { lot_id: lot.id }, header: { 'If-Match': `"${lot.version}"` } };
      this.lots = (await ask(api.PUT('/api/v1/lots/{lot_id}', { params, body }))).data;
    } else {
      const params = { path: { slug: this.slug } };
      this.lots = (await ask(api.POST('/api/v1/ingredients/{slug}/lots', { params, body }))).data;
    }
    await this.load();
  }

  async withdraw(finding: Schemas['FindingOut']): Promise<void> {
    const body = { withdrawn: !finding.withdrawn };
    await askNothing(
      finding.what === 'label'
        ? api.PUT('/api/v1/labels/{label_id}/withdrawn', { params: { path: { label_id: finding.id } }, body })
        : api.PUT('/api/v1/bench-tests/{test_id}/withdrawn', {
            params: { path: { test_id: finding.id } },
            body
          })
    );
    notices.say(body.withdrawn ? 'Out of use. It stays on record.' : 'In use again.');
    await this.load();
  }
}

/** Asks for something that is answered with nothing. */
async function askNothing(call: Promise<{ error?: unknown; response: Response }>): Promise<void> {
  await ask(call.then(({ error, response }) => ({ error, response, data: response.ok ? true : undefined })));
}
