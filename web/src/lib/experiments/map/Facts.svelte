<!-- Under the map: its key, and how much it rests on. -->
<script lang="ts">
  import { kitchen } from '../../app/kitchen.svelte';
  import { figure, money } from '../../ui/format';
  import type { Experiment } from '../types';
  import Key from './Key.svelte';

  const { experiment: e }: { experiment: Experiment } = $props();
</script>

<div class="below" class:tucked={e.asked.parts.length === 3}>
  <Key experiment={e} />
  <ul class="small">
    {#each e.checks as check (check)}<li>{check}</li>{/each}
    {#if e.map}<li>{figure(e.map.mean_se, 1)} {e.response.unit}: mean standard error of the map</li>{/if}
    {#if e.planned_se !== null}
      <li>With these bakes the map will be known to ± {figure(1.96 * e.planned_se, 1)} on average.</li>
    {/if}
    {#if e.cost !== null}<li>
        The mixes of all {e.runs.length} bakes cost {money(e.cost, kitchen.settings?.currency ?? '')} together.
      </li>{/if}
    <li class="soft">“±” means 9 times in 10. What is not baked through is not tasted.</li>
  </ul>
</div>

<style>
  .below {
    display: grid;
    grid-template-columns: 1fr 1fr;
    gap: 1.5rem;
    margin-top: 0.5rem;
  }

  li {
    margin-bottom: 0.25rem;
  }

  /* Beside the foot of the triangle there is room for both. */
  @media (min-width: 1101px) {
    .tucked {
      grid-template-columns: minmax(0, 1fr) minmax(0, 13rem);
      margin-top: -15.5rem;
      pointer-events: none;
    }

    .tucked ul {
      margin-top: 3.5rem;
    }
  }

  @media (max-width: 560px) {
    .below {
      grid-template-columns: 1fr;
    }
  }
</style>
