<!-- A table from setting it to what it said: the host sees codes and who is where, and scores only at the end. -->
<script lang="ts">
  import { wordsOf } from '../api/client';
  import { current } from '../app/current.svelte';
  import { loadOn } from '../ui/state/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import Board from './board/Board.svelte';
  import Host from './board/Host.svelte';
  import { loadTasting, type Loaded } from './doing';
  import Result from './result/Result.svelte';
  import Setting from './setting/Setting.svelte';
  import SliceTextures from './SliceTextures.svelte';

  const LOOK_MS = 2500;
  const { params }: { params: { id: string } } = $props();
  const id = $derived(Number(params.id));
  let now = $state.raw<Loaded | null>(null);
  let trouble = $state('');
  let asked = $state<number | null>(null);
  /** The seat that was chosen, else the first that somebody has to look at. */
  const seat = $derived(
    asked ?? now?.tasting.mats.find((m) => !m.dropped && m.blocks.some((b) => !b.done))?.number ?? 1
  );

  async function load(tasting_id: number): Promise<void> {
    try {
      now = await loadTasting(tasting_id);
      trouble = '';
      current.brief = null;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  const changed = (next: Loaded): void => void (now = next);
  const again = (): Promise<void> => load(id);
  loadOn(() => id, load);

  // While it is open, who is where is looked up again and again; a look that fails is made again.
  $effect(() => {
    if (now?.tasting.stage !== 'open') return;
    const timer = setInterval(() => document.hidden || void again(), LOOK_MS);
    return () => clearInterval(timer);
  });
</script>

<SliceTextures />
{#if trouble && !now}
  <Trouble say={trouble} {again} />
{:else if now}
  {#if now.tasting.stage === 'setting'}
    <Setting tasting={now.tasting} version={now.version} {changed} />
  {:else}
    <div class="table" class:done={!!now.tasting.result}>
      <Board tasting={now.tasting} {seat} choose={(n) => (asked = n)} />
      {#if now.tasting.result}
        <Result tasting={now.tasting} result={now.tasting.result} {seat} />
      {:else}
        <Host tasting={now.tasting} {seat} {changed} {again} />
      {/if}
    </div>
  {/if}
{:else}
  <p class="soft" role="status">Laying the table …</p>
{/if}

<style>
  .table {
    display: grid;
    grid-template-columns: minmax(24rem, 0.76fr) minmax(0, 1fr);
    min-height: calc(100vh - var(--bar));
  }

  @media (max-width: 1100px) {
    .table {
      grid-template-columns: minmax(0, 1fr);
    }

    /* What was said comes first where there is no room beside the table. */
    .done > :global(:last-child) {
      order: -1;
    }
  }
</style>
