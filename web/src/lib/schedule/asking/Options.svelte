<!-- Steps that may be left out, each with a box: what the formula and the school chose can be chosen otherwise. -->
<script lang="ts">
  import type { ScheduleBench } from '../schedule.svelte';

  const { bench }: { bench: ScheduleBench } = $props();
  const options = $derived(bench.shown?.options ?? []);
</script>

{#if options.length}
  <details>
    <summary class="small">Steps that may be left out, or taken</summary>
    {#each options as o (o.product + o.step)}
      <label class="small">
        <input type="checkbox" checked={o.on} onchange={(e) => bench.toggle(o, e.currentTarget.checked)} />
        {o.product}: {o.do}
      </label>
    {/each}
  </details>
{/if}

<style>
  details {
    grid-column: 2 / -1;
  }

  summary {
    color: var(--flax);
    cursor: pointer;
    min-height: 26px;
  }

  label {
    display: flex;
    align-items: baseline;
    gap: 0.5rem;
    min-height: 26px;
  }

  @media (max-width: 1120px) {
    details {
      grid-column: 1;
    }

    label {
      min-height: 44px;
      align-items: center;
    }
  }
</style>
