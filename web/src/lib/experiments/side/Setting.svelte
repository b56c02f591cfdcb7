<!-- What is varied, between which limits, which walls hold, how many bakes on how many days. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import type { Set } from '../doing';
  import { numberIn as number } from '../typed';
  import Parts from './Parts.svelte';
  import Wishes from './Wishes.svelte';
  import type { Asked, Experiment, Point } from '../types';

  interface Props {
    experiment: Experiment;
    point: Point | null;
    save: (make: (now: Set) => Set) => void;
  }
  const { experiment: e, point, save }: Props = $props();
  // Open while there is nothing planned; after that as one leaves it.
  let open = $state(untrack(() => !e.runs.length));
  const fixed = $derived(e.runs.some((r) => r.value !== null || r.failed));

  function set(change: Partial<Asked>): void {
    save((now) => ({ ...now, asked: { ...now.asked, ...change } }));
  }
</script>

<details bind:open class="setting">
  <summary>What is varied{e.runs.length ? '' : ', and between which limits'}</summary>
  {#if e.trouble}<p class="held">{e.trouble}</p>{/if}
  {#if fixed}<p class="small soft">
      Bakes came to something: the parts stay, their limits may still be widened.
    </p>{/if}
  <Parts experiment={e} {point} {fixed} {save} />
  <div class="row small">
    <label
      >Walls of the use
      <select
        value={e.asked.walls}
        onchange={(event) => set({ walls: event.currentTarget.value as Asked['walls'] })}
      >
        <option value="hard">its hard bands</option><option value="good">its good bands</option>
        <option value="nearly">hard, let out by a tenth</option><option value="none">none</option>
      </select></label
    >
    <label
      >Price at most, per kg <input
        type="number"
        min="0"
        step="0.01"
        value={e.asked.max_price ?? ''}
        onchange={(event) => set({ max_price: Number(event.currentTarget.value) || null })}
      /></label
    >
    <label
      >Mapped
      <select value={e.asked.response} onchange={(event) => set({ response: event.currentTarget.value })}>
        {#each e.responses as r (r.name)}<option value={r.name}>{r.label}, {r.unit}</option>{/each}
      </select></label
    >
    <label
      >Difference worth having <input
        type="number"
        min="0.05"
        step="0.05"
        value={e.asked.worth}
        onchange={(event) => set({ worth: number(event.currentTarget, 1) || 1 })}
      /></label
    >
    <label
      >Flour a bake, g <input
        type="number"
        min="20"
        step="10"
        value={e.asked.flour_g}
        onchange={(event) => set({ flour_g: number(event.currentTarget, e.asked.flour_g) })}
      /></label
    >
    <label
      >Scale shows, g <input
        type="number"
        min="0.01"
        step="0.1"
        value={e.asked.step_g}
        onchange={(event) => set({ step_g: number(event.currentTarget, 1) || 1 })}
      /></label
    >
    {#if !fixed}
      <label
        >Bakes <input
          type="number"
          min="2"
          max="40"
          value={e.asked.bakes}
          onchange={(event) => set({ bakes: Math.round(number(event.currentTarget, 8)) })}
        /></label
      >
      <label
        >Days <input
          type="number"
          min="1"
          max="12"
          value={e.asked.days}
          onchange={(event) => set({ days: Math.round(number(event.currentTarget, 2)) })}
        /></label
      >
    {/if}
  </div>
  <Wishes experiment={e} set={(also) => set({ also })} />
  {#if e.rows.length}<p class="small soft">Walls: {e.rows.join(' · ')}</p>{/if}
  <p class="small soft">
    All else of the blend stays, binder too. Limits begin 12 points about today's share: a rule of thumb.
  </p>
</details>

<style>
  .setting {
    overflow-x: auto;
  }

  summary {
    min-height: 36px;
    font-weight: 600;
    cursor: pointer;
  }

  .held {
    color: var(--held);
  }

  input,
  select {
    min-height: 34px;
    padding: 0 0.35rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
  }

  input {
    width: 5.2rem;
  }

  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    margin: 0.6rem 0;
  }

  .row input,
  .row select {
    display: block;
  }
</style>
