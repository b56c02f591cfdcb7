import { api, ask, wordsOf, type Schemas } from '../api/client';
import { GRAMS_PER_OUNCE } from '../ui/format';

const EVERY_MS = 300;
const GRAMS: Record<string, number> = { g: 1, kg: 1000, oz: GRAMS_PER_OUNCE };

/** The scale on the bench: what it shows, and the mass field that its reading goes into. */
class BenchScale {
  shown = $state.raw<Schemas['ScaleOut'] | null>(null);
  trouble = $state('');
  /** Whether it stands on the page. */
  open = $state(false);
  target = $state.raw<HTMLInputElement | null>(null);
  #watchers = 0;
  #timer: ReturnType<typeof setInterval> | undefined;

  /** Reads the scale over and over until the returned function is called. */
  watch(): () => void {
    if (this.#watchers++ === 0) {
      void this.#read();
      this.#timer = setInterval(() => void this.#read(), EVERY_MS);
    }
    return () => {
      if (--this.#watchers === 0) clearInterval(this.#timer);
    };
  }

  async #read(): Promise<void> {
    if (document.hidden) return;
    await this.#take(ask(api.GET('/api/v1/devices/scale')));
  }

  async tare(): Promise<void> {
    await this.#take(ask(api.POST('/api/v1/devices/scale/tare')));
  }

  /** Puts a mass on the simulated scale. */
  async load(mass_g: number): Promise<void> {
    await this.#take(ask(api.PUT('/api/v1/devices/scale/load', { body: { mass_g } })));
  }

  async #take(asked: Promise<{ data: Schemas['ScaleOut'] }>): Promise<void> {
    try {
      this.shown = (await asked).data;
      this.trouble = '';
    } catch (error) {
      this.trouble = wordsOf(error);
    }
  }

  /** Notes a mass field that got the focus: readings go there. */
  aim(element: EventTarget | null): void {
    const input = element as HTMLInputElement | null;
    if (input?.matches?.('input[data-mass]')) this.target = input;
  }

  get targetName(): string {
    const t = this.target;
    if (!t?.isConnected) return '';
    return t.getAttribute('aria-label') ?? t.labels?.[0]?.textContent?.trim() ?? 'the field';
  }

  /** Writes what the scale shows into the mass field, in the field's unit. */
  give(): void {
    const t = this.target;
    if (!t?.isConnected || !this.shown) return;
    const grams = GRAMS[t.dataset.mass ?? 'g'] ?? 1;
    t.focus();
    t.value = String(Math.round((this.shown.mass_g / grams) * 1e4) / 1e4);
    t.dispatchEvent(new Event('input', { bubbles: true }));
    if (t.dataset.cell) t.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }));
  }
}

export const scale = new BenchScale();
