<!-- The gluten budget of a mix: what each draw brings of the limit, and hatched the share of which nobody knows. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import type { Batch } from '../types';

  const { mix }: { mix: NonNullable<Batch['mix']> } = $props();
  const LIMIT = 20;
  const known = $derived(
    mix.draws
      .filter((d) => d.gluten_mg_per_kg !== null)
      .map((d) => ({ ...d, brings: (d.mix_pct / 100) * (d.gluten_mg_per_kg ?? 0) }))
      .filter((d) => d.brings > 0)
  );
  const sum = $derived(known.reduce((s, d) => s + d.brings, 0));
  const unknown = $derived(
    mix.draws.filter((d) => d.gluten_mg_per_kg === null).reduce((s, d) => s + d.mix_pct, 0)
  );
  const full = $derived(Math.max(LIMIT * 1.15, sum * 1.05));
</script>

<span
  class="bar"
  role="img"
  aria-label="{figure(sum, 1)} of at most {LIMIT} mg/kg known{unknown
    ? `, ${figure(unknown, 0)} % of the mix has no value`
    : ''}"
>
  {#each known as d, n (n)}
    <i style:width="{(100 * d.brings) / full}%" title="{d.name} {d.lot_code}: {figure(d.brings, 2)} mg/kg"
    ></i>
  {/each}
  {#if unknown > 0.05}
    <i class="unknown" style:width="{(100 * Math.max(0, LIMIT - sum)) / full}%"></i>
  {/if}
  <b style:left="{(100 * LIMIT) / full}%"></b>
</span>

<style>
  .bar {
    position: relative;
    display: flex;
    max-width: 24rem;
    height: 12px;
    margin: 0.15rem 0;
    border: 1px solid var(--tube);
    background: var(--sheet);
  }

  i {
    border-right: 1px solid var(--sheet);
    background: var(--ink);
  }

  .unknown {
    background: repeating-linear-gradient(135deg, var(--soft) 0 1px, transparent 1px 6px);
  }

  b {
    position: absolute;
    top: -4px;
    bottom: -4px;
    border-left: 2px solid var(--ink);
  }
</style>
