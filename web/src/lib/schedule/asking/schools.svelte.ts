import { api, ask, type Schemas } from '../../api/client';

/** The uses that can be planned with their schools, and the kinds of ovens; asked once. */
class Schools {
  found = $state.raw<Schemas['SchoolsOut'] | null>(null);

  async load(): Promise<void> {
    this.found ??= (await ask(api.GET('/api/v1/schools'))).data;
  }

  of(use: string): string[] | undefined {
    return this.found?.uses.find((u) => u.use === use)?.schools;
  }
}

export const schools = new Schools();
