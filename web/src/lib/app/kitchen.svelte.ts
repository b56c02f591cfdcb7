import { api, ask, type Schemas } from '../api/client';

type Reference = Schemas['ReferenceOut'];
type Settings = Schemas['KitchenOut'];
type Metric = Schemas['MetricOut'];

/** What every page needs to know once: uses, metrics and roles, and the kitchen's settings. */
class Kitchen {
  reference = $state.raw<Reference | null>(null);
  settings = $state.raw<Settings | null>(null);
  readonly #metrics = $derived(new Map(this.reference?.metrics.map((m) => [m.name, m])));
  readonly #roles = $derived(
    new Map(this.reference?.roles.map((r, n) => [r.name, { label: r.label, order: n }]))
  );

  async load(): Promise<void> {
    const [reference, settings] = await Promise.all([
      ask(api.GET('/api/v1/reference')),
      ask(api.GET('/api/v1/kitchen'))
    ]);
    this.reference = reference.data;
    this.settings = settings.data;
  }

  #saving: Promise<unknown> = Promise.resolve();

  /** Saves changes one after the other, each on the version that the one before it made. */
  save(changes: Partial<Schemas['SettingsIn']>): Promise<void> {
    const saved = this.#saving.then(() => this.#save(changes));
    this.#saving = saved.catch(() => undefined);
    return saved;
  }

  async #save(changes: Partial<Schemas['SettingsIn']>): Promise<void> {
    const { version, ...body } = { ...this.settings!, ...changes };
    const params = { header: { 'If-Match': `"${version}"` } };
    const saved = await ask(api.PUT('/api/v1/kitchen', { body, params }));
    this.settings = saved.data;
  }

  metric(name: string): Metric {
    const found = this.#metrics.get(name);
    return found ?? { name, label: name, unit: '', decimals: 1, lowest: 0, highest: null, banded: false };
  }

  useName(slug: string | null | undefined): string {
    return this.reference?.uses.find((u) => u.slug === slug)?.name ?? 'no use chosen';
  }

  /** The place of a role in the column, base first. */
  roleOrder(role: string): number {
    return this.#roles.get(role)?.order ?? 99;
  }

  /** What something works as in a dough. */
  functionLabel(name: string): string {
    return this.reference?.functions.find((f) => f.name === name)?.label ?? name;
  }

  roleLabel(role: string): string {
    return this.#roles.get(role)?.label ?? role;
  }
}

export const kitchen = new Kitchen();
