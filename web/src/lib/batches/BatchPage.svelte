<!-- A batch: how it stands in one sentence, the mix as a column, its parts and lots, its bags, and what comes next. -->
<script lang="ts">
  import { wordsOf } from '../api/client';
  import { current } from '../app/current.svelte';
  import { day } from '../ui/format';
  import { loadOn } from '../ui/state/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import Bags from './bags/Bags.svelte';
  import Evenness from './bags/Evenness.svelte';
  import MixFacts from './bags/MixFacts.svelte';
  import { loadBatch } from './doing';
  import BatchColumn from './plan/BatchColumn.svelte';
  import Next from './plan/Next.svelte';
  import PartsTable from './plan/PartsTable.svelte';
  import Record from './plan/Record.svelte';
  import PourIn from './plan/PourIn.svelte';
  import Setting from './plan/Setting.svelte';
  import type { Batch } from './types';

  const { params }: { params: { id: string } } = $props();
  const id = $derived(Number(params.id));
  let batch = $state.raw<Batch | null>(null);
  let trouble = $state('');

  async function load(batch_id: number): Promise<void> {
    try {
      batch = await loadBatch(batch_id);
      trouble = '';
      current.brief = null;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  const again = (): Promise<void> => load(id);
  const changed = (next: Batch): void => void (batch = next);
  loadOn(() => id, load);
</script>

<svelte:window onfocus={() => batch && void again()} />

{#if trouble && !batch}
  <Trouble say={trouble} {again} />
{:else if batch}
  {@const b = batch}
  <div class="sides">
    <section class="left" aria-label="The mix">
      <p class="small soft">
        {#if b.blend_id}<a href="#/bench/{b.blend_id}">{b.name}</a>{:else}{b.name}{/if}, revision {b.revision}
        {#if b.code}· <span class="num">{b.code}</span>{/if}
        {#if b.made_on}· made {day(b.made_on)}{/if}
      </p>
      <h1 data-says class:held={b.holds.length > 0}>{b.say}</h1>
      {#if b.off_revision}<p class="close">◆ {b.off_revision}</p>{/if}
      {#if b.clean_first}<p class="close">◆ {b.clean_first}</p>{/if}
      <Next batch={b} {changed} />
      <BatchColumn batch={b} />
      {#if b.state === 'planned'}<Setting batch={b} {changed} />{/if}
      {#if b.state === 'weighing'}<PourIn batch={b} {changed} />{/if}
    </section>
    <section class="right" aria-label="Parts, bags and what the mix is">
      {#if b.mix}<MixFacts batch={b} mix={b.mix} />{/if}
      {#if b.bags.length || b.state === 'blended'}<Bags batch={b} {changed} />{/if}
      <PartsTable batch={b} />
      {#if b.in_g > 0 && b.state !== 'weighing'}<Evenness batch={b} {changed} />{/if}
      <Record batch={b} {changed} />
    </section>
  </div>
{:else}
  <p class="soft" role="status">Lifting the lid …</p>
{/if}

<style>
  .sides {
    display: grid;
    grid-template-columns: minmax(20rem, 0.8fr) minmax(0, 1.5fr);
    min-height: calc(100vh - var(--bar));
  }

  .left,
  .right {
    min-width: 0;
    padding: 0.9rem 1.25rem;
  }

  .left {
    border-right: 1px solid var(--hairline);
  }

  .right {
    background: var(--sheet);
  }

  h1 {
    margin: 0.1rem 0 0.6rem;
    line-height: 1.25;
  }

  @media (max-width: 900px) {
    .sides {
      grid-template-columns: minmax(0, 1fr);
    }
  }

  @media (max-width: 560px) {
    .left,
    .right {
      padding: 0.75rem;
    }
  }
</style>
