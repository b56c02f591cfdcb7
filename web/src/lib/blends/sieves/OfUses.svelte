<!-- One sieve for several uses: the band of each, and how the mix stands there. -->
<script lang="ts">
  import type { BandResult } from '../../api/client';
  import { figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import StatusIcon from '../../bands/StatusIcon.svelte';
  import { STATUS_CLASS, standing } from '../../bands/words';
  import { forUse } from '../../bands/layers';

  const { result }: { result: BandResult } = $props();
  const metric = $derived(kitchen.metric(result.band.metric));
  const rows = $derived(
    (result.layers ?? []).flatMap((layer) => {
      const own = forUse(result, layer.use);
      return own ? [{ ...layer, say: standing(own, metric.decimals) }] : [];
    })
  );
  const plain = (v: number): string => figure(v, Number.isInteger(v) ? 0 : metric.decimals);
</script>

<ul aria-label="{metric.label} for each use">
  {#each rows as row (row.use)}
    <li>
      <StatusIcon status={row.status} />
      <span>{row.name}</span>
      <span class="soft num">open {plain(row.band.good_low)}–{plain(row.band.good_high)}</span>
      <span class={STATUS_CLASS[row.status]}>{row.say}</span>
    </li>
  {/each}
</ul>

<style>
  ul {
    margin: 0.2rem 0 0.5rem 1.25rem;
    font-size: var(--small);
  }

  li {
    display: grid;
    grid-template-columns: 18px minmax(8rem, 1.4fr) minmax(6rem, 1fr) minmax(6rem, 1fr);
    gap: 0.5rem;
    align-items: center;
    min-height: 24px;
  }
</style>
