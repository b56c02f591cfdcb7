<!-- The sieves of a proposal in miniature, one line each in the order given: open band, walls, and the mark. -->
<script lang="ts">
  import type { BandResult } from '../../api/client';
  import { figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import Mark from '../../bands/Mark.svelte';
  import { axisOf, reachOf } from '../../bands/axis';
  import { standing } from '../../bands/words';

  interface Props {
    sieves: readonly BandResult[];
    order: readonly string[];
    width?: number;
  }
  const { sieves, order, width = 84 }: Props = $props();
  const rows = $derived(
    order.flatMap((name) => {
      const result = sieves.find((s) => s.band.metric === name);
      if (!result) return [];
      const metric = kitchen.metric(name);
      const { from, to } = reachOf(result.band, metric, [result.estimate.typical]);
      const { good_low, good_high } = result.band;
      const s = axisOf(result.band, metric, from, to, width);
      const value = result.estimate.typical;
      const words = `${metric.label} ${figure(value, metric.decimals)} ${metric.unit}, ${standing(result, metric.decimals)}`;
      return [
        {
          name,
          result,
          words,
          low: s.x(good_low),
          high: s.x(good_high),
          at: value === null ? null : s.x(value)
        }
      ];
    })
  );
</script>

<ul>
  {#each rows as row (row.name)}
    <li>
      <svg {width} height="18" viewBox="0 0 {width} 18" aria-hidden="true">
        <path class="base" d="M1 9H{width - 1}" />
        <rect class="open" x={row.low} y="4" width={Math.max(1.5, row.high - row.low)} height="10" />
        {#if row.at !== null}
          <g transform="translate({row.at} 9) scale(.72)"><Mark status={row.result.status} x={0} y={0} /></g>
        {/if}
      </svg>
      <span class="sr-only">{row.words}</span>
    </li>
  {/each}
</ul>

<style>
  li {
    height: 18px;
  }

  svg {
    display: block;
    overflow: visible;
  }

  .base {
    stroke: var(--mesh);
    stroke-dasharray: 2 2;
  }

  .open {
    fill: var(--passes-wash);
    stroke: var(--hairline);
  }
</style>
