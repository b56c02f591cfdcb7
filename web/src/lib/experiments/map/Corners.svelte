<!-- The columns of the corners' mixes, which the triangle stands on. -->
<script lang="ts">
  import MiniColumn from '../../blends/column/MiniColumn.svelte';
  import { figure } from '../../ui/format';
  import type { Experiment } from '../types';

  const { experiment: e }: { experiment: Experiment } = $props();
  const names = $derived(e.asked.parts.map((p) => p.name));
  const vertices = $derived(e.picture?.vertices ?? []);
</script>

{#each e.columns as column, n (n)}
  <div class="corner c{n}">
    <MiniColumn layers={column} height={n === 1 ? 40 : 92} width={30} />
    <p class="small">
      <b>most {names[n]?.toLowerCase()}</b><br /><span class="soft num"
        >{vertices[n]?.map((v) => figure(v * e.total_pct, 0)).join(' · ')} %</span
      >
    </p>
  </div>
{/each}

<style>
  .corner {
    position: absolute;
    display: flex;
    gap: 0.5rem;
    max-width: 9rem;
    pointer-events: none;
  }

  .c0,
  .c2 {
    top: 8%;
    flex-direction: column;
  }

  .c0 {
    left: 0;
  }

  .c2 {
    right: 0;
    align-items: end;
    text-align: right;
  }

  .c1 {
    left: calc(50% - 15px);
    bottom: 0;
    align-items: center;
    max-width: 14rem;
  }

  p {
    margin: 0;
    line-height: 1.25;
  }

  @media (max-width: 560px) {
    .corner {
      max-width: 5.5rem;
    }
  }
</style>
