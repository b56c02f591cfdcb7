<script lang="ts">
  import { Tabs } from '@skeletonlabs/skeleton-svelte';
  import { layersOf, planFor, spread } from '../column/layout';
  import { kitchen } from '../../app/kitchen.svelte';
  import AddPart from '../../ingredients/AddPart.svelte';
  import BagLine from '../bag/BagLine.svelte';
  import type { Bench } from './bench.svelte';
  import Changes from '../compare/Changes.svelte';
  import Column from './Column.svelte';
  import BenchFrame from '../../document/BenchFrame.svelte';
  import Conflict from '../../document/Conflict.svelte';
  import type { BlendContent } from './content';
  import HandBar from './HandBar.svelte';
  import BlendHead from './BlendHead.svelte';
  import { handedOver } from '../../begin/handed';
  import { Mending } from '../propose/mend.svelte';
  import Rows from '../bag/Rows.svelte';
  import Sieves from '../sieves/Sieves.svelte';
  import Teach from './Teach.svelte';

  const { bench }: { bench: Bench } = $props();
  const TIGHTEST = 34;
  const WIDEST = 46;
  let room = $state(480);
  let across = $state(530);
  let keeping = $state(false);
  /** A mix that is being pasted: its text so far; null where none is. */
  let pasting = $state<string | null>(handedOver('mix')?.text ?? null);
  let tab = $state(handedOver('propose') ? 'propose' : 'sieves');
  // svelte-ignore state_referenced_locally
  const mending = new Mending(bench);
  const coarse = matchMedia('(pointer: coarse)').matches;

  const count = $derived(bench.parts.length);
  const compact = $derived(coarse || across < 470);
  const plan = $derived(planFor(across));
  const least = $derived(compact ? 46 : TIGHTEST);
  const height = $derived(Math.max(room - 4, count * least, 220));
  const gap = $derived(count ? Math.min(WIDEST, height / count) : WIDEST);
  const rows = $derived.by(() => {
    const bySlug = new Map(bench.parts.map((p) => [p.ingredient, p.mass_g]));
    const layers = layersOf(
      bench.order.map((slug) => ({ slug, share: bySlug.get(slug) ?? 0 })),
      height
    );
    return spread(
      layers.map((l) => l.y + l.h / 2),
      gap,
      height
    );
  });

  function mend(): void {
    tab = 'sieves';
    void mending.ask();
  }

  function toAdding(): void {
    document.querySelector<HTMLElement>('[data-add]')?.focus();
  }

  function key(event: KeyboardEvent): void {
    const at = event.target as HTMLElement;
    const typing = at.matches('input, textarea, select') && at.dataset.cell === undefined;
    if (event.ctrlKey || event.metaKey || event.altKey || typing) return;
    if (event.key === 'a') toAdding();
    else if (event.key === 'k' && bench.parts.length && !bench.kept) keeping = true;
    else if (event.key === 'p') tab = 'propose';
    else if (event.key === 'v') pasting = '';
    else if (event.key === 'u') tab = 'uses';
    else if (event.key === 'm' && bench.parts.length) mend();
    else return;
    event.preventDefault();
  }
  /** A text pasted on the bench itself is a mix. */
  function paste(event: ClipboardEvent): void {
    const text = event.clipboardData?.getData('text/plain') ?? '';
    if (pasting !== null || !text.trim() || (event.target as HTMLElement).closest?.('input, textarea'))
      return;
    event.preventDefault();
    pasting = text;
  }
</script>

<svelte:window onkeydown={key} onpaste={paste} />

{#snippet differs(before: BlendContent, after: BlendContent)}<Changes
    before={before.parts}
    after={after.parts}
  />{/snippet}
{#snippet madeFor(content: BlendContent)}{kitchen.useName(content.use) || 'no use'}{/snippet}

<Conflict {bench} {differs} />
<BenchFrame
  --left="44%"
  labels={{ left: 'The column', right: 'What holds it' }}
  said={bench.judgement}
  trouble={bench.trouble}
>
  {#snippet left()}
    <BlendHead {bench} onkeep={() => (keeping = true)} />
    <div class="heads small soft" aria-hidden="true">
      <span style:width="{plan.ghost_x}px">now</span>
      <span class="ghost-head" style:width="{plan.end - plan.ghost_x}px">{bench.ghost?.label ?? ''}</span>
      <span class="part-grid grow" class:compact>
        <span>ingredient</span>
        <span class="right-end">{kitchen.settings?.mass_unit}</span>
        <span class="right-end">% flour</span>
      </span>
    </div>
    <div class="stand" bind:clientHeight={room} bind:clientWidth={across}>
      <div class="column">
        <Column {bench} {height} {rows} {plan} />
        {#if count}
          <Rows {bench} {height} {rows} {gap} {compact} />
        {:else}
          <Teach
            onadd={toAdding}
            onpaste={() => (pasting = '')}
            onpropose={bench.use ? () => (tab = 'propose') : null}
          />
        {/if}
      </div>
    </div>
    {#if compact}<HandBar {bench} />{/if}
    <div class="add">
      <AddPart {bench} />
      {#if count}<button class="link" onclick={() => (pasting = '')}>Paste a mix</button>{/if}
    </div>
  {/snippet}

  {#snippet right()}
    <Tabs value={tab} onValueChange={(d) => (tab = d.value)}>
      <Tabs.List class="tabs">
        <Tabs.Trigger class="tab" value="sieves">Sieves</Tabs.Trigger>
        <Tabs.Trigger class="tab" value="uses">Good for</Tabs.Trigger>
        <Tabs.Trigger class="tab" value="bag">The bag</Tabs.Trigger>
        <Tabs.Trigger class="tab" value="propose">Propose</Tabs.Trigger>
        <Tabs.Trigger class="tab" value="revisions">Revisions ({bench.revisions.length})</Tabs.Trigger>
      </Tabs.List>
      <Tabs.Content value="sieves"
        ><Sieves {bench} {mending} onpropose={() => (tab = 'propose')} /></Tabs.Content
      >
      <Tabs.Content value="uses">
        {#if tab === 'uses'}{#await import('../sieves/GoodFor.svelte') then { default: GoodFor }}
            <GoodFor {bench} />
          {/await}{/if}
      </Tabs.Content>
      <Tabs.Content value="propose">
        {#if tab === 'propose'}{#await import('../propose/Propose.svelte') then { default: Propose }}
            <Propose {bench} />
          {/await}{/if}
      </Tabs.Content>
      <Tabs.Content value="bag">
        {#if tab === 'bag'}
          {#if bench.judgement}
            {@const judgement = bench.judgement}
            {#await import('../bag/Bag.svelte') then { default: Bag }}
              <Bag {judgement} parts={bench.parts} nameOf={(slug) => bench.nameOf(slug)} />
            {/await}
          {:else}
            <p class="soft mt-2">There is nothing in the mix yet.</p>
          {/if}
        {/if}
      </Tabs.Content>
      <Tabs.Content value="revisions">
        {#if tab === 'revisions'}{#await import('../../document/Revisions.svelte') then { default: Revisions }}
            <Revisions {bench} {differs} about={madeFor} beside="column" onkeep={() => (keeping = true)} />
          {/await}{/if}
      </Tabs.Content>
    </Tabs>
  {/snippet}

  {#snippet foot()}<BagLine judgement={bench.judgement} onopen={() => (tab = 'bag')} />{/snippet}
</BenchFrame>
{#if bench.asksLot}{#await import('./LotSheet.svelte') then { default: LotSheet }}
    <LotSheet {bench} slug={bench.asksLot} onclose={() => (bench.asksLot = null)} />
  {/await}{/if}
{#if pasting !== null}{#await import('./MixSheet.svelte') then { default: MixSheet }}
    <MixSheet {bench} begun={pasting ?? ''} onclose={() => (pasting = null)} />
  {/await}{/if}
{#if keeping}{#await import('../../document/KeepSheet.svelte') then { default: KeepSheet }}
    <KeepSheet {bench} open onclose={() => (keeping = false)} />
  {/await}{/if}

<style>
  .heads {
    display: flex;
    padding: 0.4rem 0 0.2rem;
  }

  .ghost-head {
    padding-right: 4px;
    overflow: hidden;
    white-space: nowrap;
    text-overflow: ellipsis;
  }

  .grow {
    flex: 1;
  }

  .right-end {
    padding-right: 0.35rem;
    text-align: right;
  }

  .stand {
    flex: 1;
    min-height: 220px;
    overflow: hidden auto;
    padding: 2px 0;
  }

  .column {
    display: flex;
  }

  .add {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0.75rem;
    align-items: center;
    padding-top: 0.5rem;
  }

  @media (max-width: 860px) {
    .stand {
      height: 420px;
      overflow: visible;
    }
  }
</style>
