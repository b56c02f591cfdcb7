<script lang="ts">
  import { Tabs } from '@skeletonlabs/skeleton-svelte';
  import AddPart from '../../ingredients/AddPart.svelte';
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
  import WaterBalance from './WaterBalance.svelte';
  import Warnings from './Warnings.svelte';

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
    ['finished', 'Finished']
  ];

  const LOADS = {
    water: () => import('../tabs/WaterTab.svelte'),
    binder: () => import('../tabs/BinderTab.svelte'),
    swap: () => import('../tabs/SwapTab.svelte'),
    scale: () => import('../tabs/ScaleTab.svelte'),
    bake: () => import('../tabs/BakeTab.svelte'),
    finished: () => import('../tabs/FinishedTab.svelte')
  };

  function key(event: KeyboardEvent): void {
    const at = event.target as HTMLElement;
    if (event.ctrlKey || event.metaKey || event.altKey || at.matches('input, textarea, select')) return;
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
      <Gauges gauges={j.gauges} others={bench.ghost?.judgement.gauges} />
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
<div class="bench">
  <section class="left" aria-label="The lines">
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
  </section>

  <section class="right" aria-label="How it stands">
    <h1 class="say" aria-live="polite">{j?.say ?? 'Nothing to judge yet.'}</h1>
    <p class="soft more">
      {#if bench.trouble}<span class="held" role="alert">{bench.trouble}</span>{:else}{j?.say_more ?? ''}{/if}
    </p>
    {#if PICTURED.has(bench.tab)}<WaterBalance {bench} />{/if}
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
  </section>
  <div class="foot"><CardLine {bench} /></div>
</div>
<KeepSheet {bench} open={keeping} onclose={() => (keeping = false)} />

<style>
  .bench {
    display: grid;
    grid-template-columns: minmax(29rem, 42%) 1fr;
    grid-template-rows: minmax(0, 1fr) auto;
    height: 100%;
  }

  .left {
    display: flex;
    flex-direction: column;
    min-height: 0;
    overflow-y: auto;
    padding: 0.75rem 0.75rem 0.6rem 1.25rem;
    border-right: 1px solid var(--hairline);
  }

  .right {
    min-width: 0;
    min-height: 0;
    overflow-y: auto;
    padding: 0.75rem 1.25rem 1rem 1.5rem;
    background: var(--sheet);
  }

  .foot {
    grid-column: 1 / -1;
  }

  .say {
    font-size: var(--title);
  }

  .more {
    min-height: 1.4em;
  }

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

  @media (max-width: 860px) {
    .bench {
      display: block;
      height: auto;
    }

    .left {
      overflow: visible;
      border-right: 0;
      padding: 0.6rem 0.75rem;
    }
  }
</style>
