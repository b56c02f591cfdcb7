<!-- A number that is edited in place: Enter takes it, Esc gives back what stood there, + and − nudge. -->
<script lang="ts">
  interface Props {
    label: string;
    shown: string;
    /** Takes what was typed; returns what is wrong with it, or nothing. */
    take: (text: string) => Promise<string> | string;
    nudge?: (steps: number) => void;
    onkey?: (event: KeyboardEvent) => void;
    onfocus?: () => void;
    kind: string;
    describedby?: string;
    soft?: boolean;
    /** The unit of a mass, which a scale can then fill. */
    mass?: string;
  }
  const {
    label,
    shown,
    take,
    nudge,
    onkey,
    onfocus,
    kind,
    describedby,
    soft = false,
    mass
  }: Props = $props();
  let typed = $state<string | null>(null);
  let wrong = $state('');
  let input = $state<HTMLInputElement>();
  let taking: string | null = null; // what is being taken: leaving the cell meanwhile does not take it a second time

  // A number that changes under the keys stays selected, so that what is typed next takes its place.
  $effect(() => {
    if (shown && typed === null && document.activeElement === input) input?.select();
  });

  // Page keys and not Shift for ten: with Shift the sign itself is another character on most keyboards.
  const STEPS: Record<string, number> = { '+': 1, '=': 1, '-': -1, '−': -1, PageUp: 10, PageDown: -10 };

  async function commit(): Promise<void> {
    if (typed === null || typed.trim() === shown) {
      typed = null;
      wrong = '';
      return;
    }
    if (typed === taking) return;
    taking = typed;
    wrong = await take(typed);
    if (!wrong && typed === taking) typed = null;
    taking = null;
  }

  function key(event: KeyboardEvent): void {
    const cell = event.currentTarget as HTMLInputElement;
    if (event.key === 'Enter') {
      void commit().then(() => cell.select());
    } else if (event.key === 'Escape') {
      typed = null;
      wrong = '';
      void Promise.resolve().then(() => cell.select());
    } else if (nudge && STEPS[event.key]) {
      event.preventDefault();
      typed = null;
      nudge(STEPS[event.key]!);
    } else if (typed === null || cell.value === '') {
      onkey?.(event);
      letter(event);
    } else if (isLetter(event)) {
      event.stopPropagation(); // it belongs to what is being typed
    }
  }

  const isLetter = (event: KeyboardEvent): boolean =>
    /^[a-z]$/i.test(event.key) && !event.ctrlKey && !event.metaKey && !event.altKey;

  /** No number begins with a letter: it is a key of the page, and is not typed. */
  function letter(event: KeyboardEvent): void {
    if (isLetter(event)) event.preventDefault();
  }
</script>

<span class="cell">
  <input
    bind:this={input}
    class="num"
    class:soft
    data-cell={kind}
    data-mass={mass}
    aria-label={label}
    aria-invalid={wrong ? true : undefined}
    aria-describedby={describedby}
    autocomplete="off"
    inputmode="decimal"
    value={typed ?? shown}
    oninput={(e) => (typed = e.currentTarget.value)}
    onfocus={(e) => {
      e.currentTarget.select();
      onfocus?.();
    }}
    onblur={commit}
    onkeydown={key}
  />
  {#if wrong}<span class="wrong small" role="alert">{wrong}</span>{/if}
</span>

<style>
  .cell {
    position: relative;
    display: block;
  }

  input {
    width: 100%;
    min-height: 30px;
    padding: 0 0.3rem;
    border: 1px solid transparent;
    background: transparent;
    color: inherit;
    font-size: var(--body);
  }

  input:hover {
    border-color: var(--line);
    background: var(--sheet);
  }

  input:focus {
    border-color: var(--flax);
    background: var(--sheet);
    color: var(--ink);
  }

  input[aria-invalid] {
    border-color: var(--held);
  }

  .wrong {
    position: absolute;
    z-index: 6;
    top: 100%;
    right: 0;
    width: max-content;
    max-width: 17rem;
    padding: 0.2rem 0.5rem;
    border: 1px solid var(--held);
    background: var(--held-wash);
    color: var(--ink);
    text-align: left;
  }

  @media (pointer: coarse) {
    input {
      min-height: 44px;
    }
  }
</style>
