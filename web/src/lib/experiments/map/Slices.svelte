<!-- Four parts: the triangle stands at a share of the fourth; it is dragged, or chosen from five. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { loadExperiment, type Loaded } from '../doing';
  import type { Experiment } from '../types';

  const { experiment: e, changed }: { experiment: Experiment; changed: (next: Loaded) => void } = $props();
  const range = $derived(e.picture?.fourth_range ?? []);
  const at = $derived(e.picture?.fourth ?? 0);
  const five = $derived(
    range.length === 2 ? [0, 1, 2, 3, 4].map((n) => range[0]! + ((range[1]! - range[0]!) * n) / 4) : []
  );
  const show = (share: number): Promise<void> =>
    attempt(async () => changed(await loadExperiment(e.id, share)));
</script>

<div class="slices small">
  <label
    >{e.asked.parts[3]?.name}
    {figure(at * e.total_pct, 0)} % of flour
    <input
      type="range"
      min={range[0]}
      max={range[1]}
      step="0.01"
      value={at}
      onchange={(event) => void show(Number(event.currentTarget.value))}
    /></label
  >
  {#each five as share (share)}
    <button class="action" aria-pressed={Math.abs(share - at) < 0.005} onclick={() => void show(share)}
      >{figure(share * e.total_pct, 0)} %</button
    >
  {/each}
</div>

<style>
  .slices {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: end;
  }

  input {
    display: block;
    width: 14rem;
    accent-color: var(--flax);
  }

  [aria-pressed='true'] {
    border-color: var(--flax);
    color: var(--flax);
  }
</style>
