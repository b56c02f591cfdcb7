<!-- The gluten budget of a mix: what each draw brings of the limit, and hatched the share of which nobody knows. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import type { Batch } from '../types';

  const { budget }: { budget: NonNullable<Batch['mix']>['budget'] } = $props();
  const limit = $derived(budget.limit_mg_per_kg);
  const known = $derived(budget.known_mg_per_kg);
  const unknown = $derived(budget.unknown_pct);
  const full = $derived(Math.max(limit * 1.15, known * 1.05));
</script>

<span
  class="bar"
  role="img"
  aria-label="{figure(known, 1)} of at most {limit} mg/kg known{unknown
    ? `, ${figure(unknown, 0)} % of the mix has no value`
    : ''}"
>
  {#each budget.brought as b, n (n)}
    <i style:width="{(100 * b.mg_per_kg) / full}%" title="{b.lot}: {figure(b.mg_per_kg, 2)} mg/kg"></i>
  {/each}
  {#if unknown > 0.05}
    <i class="unknown" style:width="{(100 * Math.max(0, limit - known)) / full}%"></i>
  {/if}
  <b style:left="{(100 * limit) / full}%"></b>
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
