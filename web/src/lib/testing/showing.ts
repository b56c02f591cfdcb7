import { flushSync, mount, unmount, type Component } from 'svelte';
import { afterEach } from 'vitest';

type Anything = Record<string, unknown>;
const shown: { instance: Anything; root: HTMLElement }[] = [];

/** Shows a component for a test, and takes it away after it. */
export function show<Props extends object>(component: Component<Props>, props: Props): HTMLElement {
  const root = document.body.appendChild(document.createElement('div'));
  const instance = mount(component as unknown as Component<Anything>, {
    target: root,
    props: props as Anything
  });
  shown.push({ instance, root });
  flushSync();
  return root;
}

/** Does something as a hand would, and lets the component follow. */
export function doing(work: () => void): void {
  work();
  flushSync();
}

/** Types into a field and leaves what is typed there. */
export function type(field: HTMLInputElement | HTMLTextAreaElement, text: string): void {
  doing(() => {
    field.value = text;
    field.dispatchEvent(new Event('input', { bubbles: true }));
  });
}

/** Clicks the button whose name begins with `name`, or fits it. */
export function click(root: HTMLElement, name: string | RegExp): void {
  const is = (text: string): boolean => (typeof name === 'string' ? text.startsWith(name) : name.test(text));
  const button = [...root.querySelectorAll('button')].find((b) =>
    is(b.getAttribute('aria-label') ?? words(b))
  );
  doing(() => button!.click());
}

/** Chooses a value in a field. */
export function choose(field: HTMLSelectElement | HTMLInputElement, value: string): void {
  doing(() => {
    field.value = value;
    field.dispatchEvent(new Event('change', { bubbles: true }));
  });
}

/** Presses a key on an element. */
export function press(on: Element, key: string, more: KeyboardEventInit = {}): KeyboardEvent {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
  doing(() => on.dispatchEvent(event));
  return event;
}

/** The words of an element, without the blanks of the markup. */
export function words(of: Element | null | undefined): string {
  return (of?.textContent ?? '').replace(/\s+/g, ' ').trim();
}

afterEach(async () => {
  for (const { instance, root } of shown.splice(0)) {
    await unmount(instance);
    root.remove();
  }
});
