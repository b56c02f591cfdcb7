<script lang="ts">
  import { Tabs } from '@skeletonlabs/skeleton-svelte';
  import AddPart from '../../ingredients/AddPart.svelte';
  import BenchFrame from '../../document/BenchFrame.svelte';
  import Conflict from '../../document/Conflict.svelte';
  import KeepSheet from '../../document/KeepSheet.svelte';
  import Revisions from '../../document/Revisions.svelte';
  import { kitchen } from '../../app/kitchen.svelte';
  import CardLine from './CardLine.svelte';
  import type { FormulaBench, Tab } from './formula.svelte';
  import FormulaHead from './FormulaHead.svelte';
  import Gauges from '../../bands/Gauges.svelte';
  import LineRow from './LineRow.svelte';
  import LinesChanged from './LinesChanged.svelte';
  import type { Content } from '../types';
  import Pinned from './Pinned.svelte';
  import Sauce from './Sauce.svelte';
  import WaterBalance from './WaterBalance.svelte';
  import Warnings from './Warnings.svelte';
  import WhatMoves from './WhatMoves.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  let keeping = $state(false);
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const j = $derived(bench.judgement);
  /** Where the balance of water is what is looked at; elsewhere it would only take the room. */
  const PICTURED = new Set<Tab>(['balance', 'water', 'swap', 'revisions']);
  const TABS: [Tab, string][] = [
    ['balance', 'Balance'],
    ['water', 'Water'],
    ['binder', 'Binder'],
    ['swap', 'Swap'],
    ['scale', 'Scale'],
    ['bake', 'Bake'],
    ['finished', 'Finished'],
    ['bag', 'As a mix']
  ];

  const LOADS = {
    water: () => import('../tabs/WaterTab.svelte'),
    binder: () => import('../tabs/BinderTab.svelte'),
    swap: () => import('../tabs/SwapTab.svelte'),
    scale: () => import('../tabs/ScaleTab.svelte'),
    bake: () => import('../tabs/BakeTab.svelte'),
    finished: () => import('../tabs/FinishedTab.svelte'),
    bag: () => import('../tabs/BagTab.svelte')
  };

  function key(event: KeyboardEvent): void {
    const at = event.target as HTMLElement;
    const typing = at.matches('input, textarea, select') && at.dataset.cell === undefined;
    if (event.ctrlKey || event.metaKey || event.altKey || typing) return;
    if (event.key === 'a') document.querySelector<HTMLElement>('[data-add]')?.focus();
    else if (event.key === 'k' && bench.lines.length && !bench.kept) keeping = true;
    else if (event.key === 'w') bench.tab = 'water';
    else return;
    event.preventDefault();
  }
</script>

<svelte:window onkeydown={key} />

{#snippet body(tab: Tab)}
  {#if tab === 'balance'}
    {#if j}
      <Gauges gauges={j.gauges} others={bench.ghost?.judgement.gauges}>
        {#snippet how(gauge)}<WhatMoves {bench} {gauge} />{/snippet}
      </Gauges>
      <Warnings warnings={j.warnings} />
      <p class="soft small how">
        Circle passes, diamond is close, square is held. Bands are rules of thumb:
        <a href="#/method/gauges">how each is set</a>.
      </p>
    {/if}
  {:else if tab === 'revisions'}
    <Revisions {bench} {differs} beside="lines" onkeep={() => (keeping = true)} />
  {:else}
    {#await LOADS[tab]() then { default: Body }}<Body {bench} />{/await}
  {/if}
{/snippet}

{#snippet differs(before: Content, after: Content)}<LinesChanged {before} {after} />{/snippet}

<Conflict {bench} {differs} />
<BenchFrame labels={{ left: 'The lines', right: 'How it stands' }} said={j} trouble={bench.trouble}>
  {#snippet left()}
    <FormulaHead {bench} onkeep={() => (keeping = true)} />
    <Pinned {bench} />
    {#if bench.lines.length}
      <div class="heads small soft formula-grid">
        <button
          class="link in-order"
          aria-label="Sort the lines by stage"
          title="Put the lines in the order of the work"
          onclick={() => bench.sortByWhen()}>stage</button
        >
        <span aria-hidden="true">ingredient</span>
        <span class="right-end" aria-hidden="true">{unit}</span>
        <span class="right-end" aria-hidden="true">% flour</span>
      </div>
      <ul class="rows">
        {#each bench.lines as line, index (index + line.ingredient)}<LineRow {bench} {line} {index} />{/each}
      </ul>
    {:else}
      <p class="teach">
        A formula is a blend at work. Choose the blend above, then add water, fat, salt and what lifts it;
        every gram of water is counted.
      </p>
    {/if}
    <div class="add"><AddPart {bench} whole="the formula" /></div>
  {/snippet}

  {#snippet right()}
    {#if j?.thickening}<Sauce sauce={j.thickening} />{:else if PICTURED.has(bench.tab)}<WaterBalance
        {bench}
      />{/if}
    <Tabs value={bench.tab} onValueChange={(d) => (bench.tab = d.value as Tab)}>
      <Tabs.List class="tabs">
        {#each TABS as [value, label] (value)}<Tabs.Trigger class="tab" {value}>{label}</Tabs.Trigger>{/each}
        <Tabs.Trigger class="tab" value="revisions">Revisions ({bench.revisions.length})</Tabs.Trigger>
      </Tabs.List>
      {#each [...TABS.map(([value]) => value), 'revisions' as Tab] as value (value)}
        <Tabs.Content {value}>
          {#if bench.tab === value}<div class="tab-body">{@render body(value)}</div>{/if}
        </Tabs.Content>
      {/each}
    </Tabs>
  {/snippet}

  {#snippet foot()}<CardLine {bench} />{/snippet}
</BenchFrame>
<KeepSheet {bench} open={keeping} onclose={() => (keeping = false)} />

<style>
  .heads {
    padding: 0.4rem 0 0.2rem;
  }

  .in-order {
    justify-self: start;
    color: inherit;
  }

  .how {
    margin-top: 0.6rem;
  }

  .right-end {
    padding-right: 0.35rem;
    text-align: right;
  }

  .teach {
    max-width: 26rem;
    margin: 1.5rem 0;
  }

  .add {
    padding-top: 0.5rem;
  }

  .tab-body {
    padding-top: 0.35rem;
  }
</style>
