<!-- A reading: how high the jar stands, as heights or as a rise in %, and how warm the dough is. -->
<script lang="ts">
  import Sheet from '../../ui/Sheet.svelte';
  import type { ScheduleBench } from '../schedule.svelte';
  import type { Step } from '../types';
  import { withReading } from './running';

  interface Props {
    bench: ScheduleBench;
    step: Step | null;
    now: number;
    /** A reading of the dough's °C was taken and saved. */
    ontaken?: (step: Step) => void;
    onclose: () => void;
  }
  const { bench, step, now, ontaken = () => undefined, onclose }: Props = $props();
  let first = $state('');
  let height = $state('');
  let rise = $state('');
  let warm = $state('');
  let trouble = $state('');

  function number(text: string): number | null {
    const value = Number(text.trim().replace(',', '.'));
    return text.trim() === '' || !Number.isFinite(value) ? null : value;
  }

  function take(event: Event): void {
    event.preventDefault();
    const [h0, h, pct, c] = [first, height, rise, warm].map(number);
    const found = pct ?? (h0 && h ? 100 * (h / h0 - 1) : null);
    if (found === null && c === null) {
      trouble = 'Give a rise, two heights of the jar, or the dough’s °C.';
      return;
    }
    if (found !== null && (found < -50 || found > 1000)) {
      trouble = 'That rise cannot be: check the two heights.';
      return;
    }
    if (step) {
      const taken = step;
      bench.commit(withReading(bench, taken, now, found ?? null, c ?? null));
      if (c !== null) void bench.save.flush().then((saved) => saved && ontaken(taken));
    }
    height = rise = warm = trouble = '';
    onclose();
  }
</script>

<Sheet
  open={step !== null}
  title="Reading: {step?.product ?? ''}, {step?.step.replace('-', ' ') ?? ''}"
  {onclose}
>
  <form onsubmit={take}>
    <label>Jar now, mm <input class="num" inputmode="decimal" bind:value={height} /></label>
    <label>Jar at first, mm <input class="num" inputmode="decimal" bind:value={first} /></label>
    <label>or it has risen by, % <input class="num" inputmode="decimal" bind:value={rise} /></label>
    <label>Dough, °C <input class="num" inputmode="decimal" bind:value={warm} /></label>
    {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
    <button class="action main">Take the reading</button>
  </form>
</Sheet>

<style>
  form {
    display: grid;
    gap: 0.75rem;
  }

  label {
    display: flex;
    justify-content: space-between;
    align-items: center;
    gap: 1rem;
  }

  input {
    width: 6rem;
    min-height: 44px;
    border: 1px solid var(--line);
    padding: 0 0.5rem;
    background: transparent;
  }

  .action {
    min-height: 52px;
  }
</style>
