/** The sheet with a script: every tap shows at once, is kept by the browser, and is sent when somebody is in reach. */
import { markWord, nextMark, Taps, type Tap } from './taps';

const AGAIN_MS = 3000;
const LONG_PRESS_MS = 500;

const main = document.querySelector<HTMLElement>('main[data-sheet]');
if (main) begin(main);

function begin(main: HTMLElement): void {
  const status = main.querySelector<HTMLElement>('[data-status]');
  const last: { id: string; element: HTMLElement }[] = [];
  const arm = main.dataset.arm ?? '';
  const day = Number(main.dataset.day ?? '0');

  const taps = new Taps(location.pathname, localStorage, send, tell);

  async function send(tap: Tap): Promise<'saved' | 'refused' | 'out of reach'> {
    const { id, back, ...reading } = tap;
    const at = back ? `readings/${id}/back` : `readings/${id}`;
    try {
      const answer = await fetch(at, {
        method: 'PUT',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(back ? {} : reading)
      });
      if (answer.ok) return 'saved';
      if (answer.status >= 500 || answer.status === 429) return 'out of reach';
      const problem = (await answer.json().catch(() => ({}))) as { detail?: string };
      say(problem.detail ?? 'That could not be saved.', 'refused');
      return 'refused';
    } catch {
      return 'out of reach';
    }
  }

  function say(text: string, kind: string): void {
    if (!status) return;
    status.textContent = text;
    status.dataset.kind = kind;
  }

  function tell(): void {
    const count = taps.waiting.length;
    if (status) status.dataset.waiting = String(count);
    if (count) say(`${count} ${count === 1 ? 'tap waits' : 'taps wait'} to be saved`, 'waiting');
    else if (status?.dataset.kind !== 'refused') say('saved', 'saved');
  }

  function tap(quantity: string, value: number | null, element: HTMLElement): void {
    const id =
      crypto.randomUUID?.() ?? `${Date.now().toString(36)}-${Math.random().toString(36).slice(2, 12)}`;
    if (status) status.dataset.kind = '';
    last.push({ id, element });
    void taps.add({
      id,
      quantity,
      value,
      arm,
      day: element.closest('[data-moment="day"]') ? Math.max(day, 0) : 0
    });
  }

  function press(ladder: HTMLElement, button: HTMLElement | null, planned: boolean): void {
    ladder.dataset.value = planned ? (ladder.dataset.planned ?? '') : (button?.dataset.value ?? '');
    for (const rung of ladder.querySelectorAll<HTMLElement>('[data-value]')) {
      const on = planned ? rung.dataset.planned !== undefined : rung === button;
      rung.setAttribute('aria-pressed', String(on));
    }
    ladder.dataset.state = planned ? 'planned' : 'noted';
  }

  function noted(ladder: HTMLElement, value: number | null): void {
    const shown = ladder.querySelector('.numbered [data-noted]');
    if (shown) shown.textContent = value === null ? '' : `${value} noted · `;
  }

  function onLadder(button: HTMLElement): void {
    const ladder = button.closest<HTMLElement>('[data-ladder]');
    if (!ladder) return;
    press(ladder, button, false);
    noted(ladder, Number(button.dataset.value));
    tap(ladder.dataset.ladder ?? '', Number(button.dataset.value), ladder);
    open(ladder.dataset.ladder ?? '');
  }

  function onWord(button: HTMLElement): void {
    const isFault = button.dataset.fault !== undefined;
    const now = button.dataset.strength ? Number(button.dataset.strength) : null;
    const value = nextMark(now, isFault);
    show(button, value, isFault);
    tap(button.dataset.word ?? '', value, button);
    if (value >= 1) open(button.dataset.word ?? '');
  }

  function show(button: HTMLElement, value: number, isFault: boolean): void {
    button.dataset.strength = String(value);
    button.setAttribute('aria-pressed', String(value >= 1));
    const said = button.querySelector('[data-said]');
    if (said) said.textContent = markWord(value, isFault);
  }

  /** What is tasted waits for the core, or for the word that it is baked through. */
  function open(quantity: string): void {
    if (quantity !== 'core_c' && quantity !== 'baked_through') return;
    for (const shut of main.querySelectorAll<HTMLElement>('[data-waits]')) delete shut.dataset.waits;
    for (const button of main.querySelectorAll<HTMLButtonElement>('button[data-locked]'))
      button.disabled = false;
  }

  function asPlanned(button: HTMLElement): void {
    const moment = button.closest<HTMLElement>('[data-moment]');
    if (!moment) return;
    for (const ladder of moment.querySelectorAll<HTMLElement>('[data-ladder][data-planned]')) {
      if (ladder.dataset.value || ladder.closest('details:not([open])')) continue;
      press(ladder, null, true);
      tap(ladder.dataset.ladder ?? '', null, ladder);
      open(ladder.dataset.ladder ?? '');
    }
    go(moment.nextElementSibling as HTMLElement | null);
  }

  function go(moment: HTMLElement | null): void {
    if (!moment?.dataset.moment) return;
    for (const m of main.querySelectorAll<HTMLElement>('[data-moment]')) m.hidden = m !== moment;
    for (const link of main.querySelectorAll<HTMLElement>('[data-go]')) {
      if (link.dataset.go === moment.dataset.moment) link.setAttribute('aria-current', 'step');
      else link.removeAttribute('aria-current');
    }
    moment.querySelector<HTMLElement>('h2')?.focus();
  }

  async function takeBack(): Promise<void> {
    const tapped = last.pop();
    if (!tapped) return location.reload();
    await taps.add({ id: tapped.id, quantity: '', value: null, arm: '', day: 0, back: true });
    if (!taps.waiting.length) location.reload();
  }

  main.addEventListener('click', (event) => {
    const button = (event.target as HTMLElement).closest<HTMLElement>('button, a');
    if (!button || button.hasAttribute('disabled')) return;
    const handled = handle(button);
    if (handled) event.preventDefault();
  });

  function handle(button: HTMLElement): boolean {
    if (button.dataset.value !== undefined) onLadder(button);
    else if (button.dataset.word !== undefined) onWord(button);
    else if (button.dataset.planned !== undefined) asPlanned(button);
    else if (button.dataset.back !== undefined) void takeBack();
    else if (button.dataset.go !== undefined) go(main.querySelector(`[data-moment="${button.dataset.go}"]`));
    else return false;
    return true;
  }

  main.addEventListener('submit', (event) => {
    const form = event.target as HTMLFormElement;
    const input = form.querySelector<HTMLInputElement>('input[data-typed]');
    if (!input) return;
    event.preventDefault();
    const value = Number(input.value.replace(',', '.'));
    const ladder = form.closest<HTMLElement>('[data-ladder]');
    if (!ladder || !Number.isFinite(value) || input.value.trim() === '') return;
    press(ladder, null, false);
    ladder.dataset.value = String(value);
    noted(ladder, value);
    tap(ladder.dataset.ladder ?? '', value, ladder);
    open(ladder.dataset.ladder ?? '');
    form.closest('details')?.removeAttribute('open');
  });

  typedByLongPress(main);
  window.addEventListener('online', () => void taps.flush());
  setInterval(() => void taps.flush(), AGAIN_MS);
  tell();
  void taps.flush();
}

/** A long press on a rung opens the field to type in. */
function typedByLongPress(main: HTMLElement): void {
  let timer = 0;
  main.addEventListener('pointerdown', (event) => {
    const ladder = (event.target as HTMLElement).closest<HTMLElement>('[data-ladder]');
    window.clearTimeout(timer);
    if (!ladder) return;
    timer = window.setTimeout(() => {
      const details = ladder.querySelector<HTMLDetailsElement>('details[data-type]');
      if (!details) return;
      details.open = true;
      details.querySelector<HTMLInputElement>('input')?.focus();
    }, LONG_PRESS_MS);
  });
  for (const end of ['pointerup', 'pointercancel', 'pointermove']) {
    main.addEventListener(end, () => window.clearTimeout(timer));
  }
}
