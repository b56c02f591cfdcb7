<!-- Wishes of several responses: at least, at best, how much each counts; two or more are joined. -->
<script lang="ts">
  import type { Asked, Experiment } from '../types';

  interface Props {
    experiment: Experiment;
    set: (also: NonNullable<Asked['also']>) => void;
  }
  const { experiment: e, set }: Props = $props();
  const also = $derived(e.asked.also);
  const free = $derived(e.responses.filter((r) => !also.some((w) => w.response === r.name)));
  const labelOf = (name: string): string => e.responses.find((r) => r.name === name)?.label ?? name;

  function change(n: number, key: 'at_least' | 'at_best' | 'weight', input: HTMLInputElement): void {
    const value = Number(input.value);
    if (Number.isFinite(value) && input.value !== '')
      set(also.map((w, i) => (i === n ? { ...w, [key]: value } : w)));
  }

  function add(name: string): void {
    const response = e.responses.find((r) => r.name === name);
    const usual =
      name === 'liking' ? [5, 8] : name === 'volume' ? [1.8, 2.8] : name === 'height' ? [60, 110] : [2, 4];
    if (response) set([...also, { response: name, at_least: usual[0]!, at_best: usual[1]!, weight: 1 }]);
  }
</script>

<div class="small">
  {#each also as w, n (w.response)}
    <p>
      <b>{labelOf(w.response)}</b> at least
      <input
        type="number"
        step="any"
        aria-label="{labelOf(w.response)} at least"
        value={w.at_least}
        onchange={(event) => change(n, 'at_least', event.currentTarget)}
      />
      at best
      <input
        type="number"
        step="any"
        aria-label="{labelOf(w.response)} at best"
        value={w.at_best}
        onchange={(event) => change(n, 'at_best', event.currentTarget)}
      />
      counts
      <input
        type="number"
        step="any"
        min="0.1"
        aria-label="How much {labelOf(w.response)} counts"
        value={w.weight}
        onchange={(event) => change(n, 'weight', event.currentTarget)}
      />
      <button class="link" onclick={() => set(also.filter((_, i) => i !== n))}
        >drop<span class="sr-only"> {labelOf(w.response)}</span></button
      >
    </p>
  {/each}
  {#if free.length}
    <label
      >Wish of several responses
      <select value="" onchange={(event) => add(event.currentTarget.value)}>
        <option value="">–</option>
        {#each free as r (r.name)}<option value={r.name}>{r.label}</option>{/each}
      </select></label
    >
  {/if}
</div>

<style>
  p {
    margin: 0.2rem 0;
  }

  input {
    width: 4.2rem;
  }

  input,
  select {
    min-height: 34px;
    padding: 0 0.35rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }
</style>
