<!-- The lots of an ingredient: the first to draw from first, and the price over time. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { day, figure, mass, money } from '../../ui/format';
  import type { OneIngredient } from '../one/ingredient.svelte';
  import { kitchen } from '../../app/kitchen.svelte';
  import LotSheet from './LotSheet.svelte';
  import Prices from './Prices.svelte';

  const { one }: { one: OneIngredient } = $props();
  let open = $state(false);
  let chosen = $state.raw<Schemas['LotFullOut'] | null>(null);
  let all = $state(false);
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const lots = $derived(one.lots.items.filter((l) => all || (!l.archived && l.stock_g > 0)));
  const hidden = $derived(one.lots.items.length - lots.length);

  function show(lot: Schemas['LotFullOut'] | null): void {
    chosen = lot;
    open = true;
  }

  function gluten(lot: Schemas['LotFullOut']): string {
    if (lot.gluten_mg_per_kg === null) return 'gluten unknown';
    const when = lot.gluten_on ? `, ${day(lot.gluten_on)}` : '';
    return `gluten ${figure(lot.gluten_mg_per_kg, 0)} mg/kg (${lot.gluten_basis}${when})`;
  }
</script>

<div class="head">
  <h2>In the bins</h2>
  <button class="link small" onclick={() => show(null)}>Add a lot</button>
</div>
{#if lots.length}
  <ul>
    {#each lots as lot (lot.id)}
      {@const late = (lot.standing.days_left ?? 1) < 0}
      <li>
        <button class="code" onclick={() => show(lot)} aria-label="Open lot {lot.code}">{lot.code}</button>
        <span class="left" class:held={late} class:close={!late && lot.standing.say.endsWith('left')}
          >{lot.standing.say}</span
        >
        <span class="gauge" aria-hidden="true"
          ><i style:width="{(100 * lot.stock_g) / lot.bought_g}%"></i></span
        >
        <span class="num small">{mass(lot.stock_g, unit)} of {mass(lot.bought_g, unit)}</span>
        <span class="small soft more">
          {[
            lot.supplier,
            lot.best_before && `best before ${day(lot.best_before)}`,
            lot.price_per_kg !== null &&
              `${money(lot.price_per_kg, kitchen.settings?.currency ?? '')} per kg`,
            gluten(lot),
            lot.own_numbers.length && `${lot.own_numbers.length} of its own numbers`
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
      </li>
    {/each}
  </ul>
{:else}
  <p class="soft small">No lot in stock. Add one to know its price, its date and its gluten value.</p>
{/if}
{#if hidden || all}
  <p class="small">
    <button class="link" onclick={() => (all = !all)}
      >{all ? 'Only those in stock' : `${hidden} used up or put away`}</button
    >
  </p>
{/if}
{#if one.lots.prices.length > 1}<Prices prices={one.lots.prices} />{/if}
<LotSheet {one} lot={chosen} {open} onclose={() => (open = false)} />

<style>
  .head {
    display: flex;
    align-items: baseline;
    justify-content: space-between;
    margin-top: 0.9rem;
    border-bottom: 1px solid var(--ink);
  }

  li {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    gap: 0 0.75rem;
    align-items: center;
    padding: 0.35rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .code {
    color: var(--flax);
    font-weight: 600;
    text-decoration: underline;
    text-underline-offset: 0.15em;
    text-align: left;
    cursor: pointer;
  }

  .left {
    text-align: right;
  }

  .gauge {
    display: block;
    width: 7rem;
    height: 8px;
    border: 1px solid var(--line);
  }

  .gauge i {
    display: block;
    height: 100%;
    background: var(--mesh);
  }

  .num {
    text-align: right;
  }

  .more {
    grid-column: 1 / -1;
  }
</style>
