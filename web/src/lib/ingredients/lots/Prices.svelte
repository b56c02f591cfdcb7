<!-- The price over time, drawn small: a step at each buying. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { curveStepAfter, line } from 'd3-shape';
  import type { Schemas } from '../../api/client';
  import { day, money } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';

  const { prices }: { prices: readonly Schemas['PricePointOut'][] } = $props();
  const WIDTH = 210;
  const HEIGHT = 34;
  const points = $derived(prices.map((p) => ({ at: Date.parse(p.day), price: p.price_per_kg })));
  const x = $derived(scaleLinear([points[0]?.at ?? 0, points.at(-1)?.at ?? 1], [3, WIDTH - 3]));
  const most = $derived(Math.max(...points.map((p) => p.price)));
  const y = $derived(scaleLinear([0, most * 1.1], [HEIGHT - 2, 2]));
  const path = $derived(
    line<{ at: number; price: number }>(
      (p) => x(p.at),
      (p) => y(p.price)
    ).curve(curveStepAfter)(points) ?? ''
  );
  const first = $derived(prices[0]);
  const last = $derived(prices.at(-1));
  const currency = $derived(kitchen.settings?.currency ?? '');
</script>

{#if first && last}
  <figure>
    <svg width={WIDTH} height={HEIGHT} viewBox="0 0 {WIDTH} {HEIGHT}" aria-hidden="true">
      <path class="zero" d="M0 {HEIGHT - 2}H{WIDTH}" />
      <path class="price" d={path} />
      {#each points as p (p.at)}<circle cx={x(p.at)} cy={y(p.price)} r="2.5" />{/each}
    </svg>
    <figcaption class="small">
      {money(first.price_per_kg, currency)} per kg on {day(first.day)}, now
      <b>{money(last.price_per_kg, currency)}</b>
    </figcaption>
  </figure>
{/if}

<style>
  figure {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.25rem 0.75rem;
    margin-top: 0.5rem;
  }

  path {
    fill: none;
  }

  .price {
    stroke: var(--flax);
    stroke-width: 1.8;
  }

  .zero {
    stroke: var(--hairline);
  }

  circle {
    fill: var(--flax);
  }
</style>
