<!-- Propose: the wishes, the blends found for them side by side, what clashes, and the trade-off of two aims. -->
<script lang="ts">
  import { onDestroy, onMount } from 'svelte';
  import { wordsOf } from '../../api/client';
  import type { Bench } from '../bench/bench.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import Adding from './Adding.svelte';
  import Chosen from './Chosen.svelte';
  import Clashes from './Clashes.svelte';
  import { briefFile, download } from './files';
  import type { Proposal } from './lines';
  import Proposals from './Proposals.svelte';
  import { Proposing } from './propose.svelte';
  import Sweep from './Sweep.svelte';
  import WishList from './WishList.svelte';

  const { bench }: { bench: Bench } = $props();
  // svelte-ignore state_referenced_locally
  const search = new Proposing(bench);
  let trading = $state(false);

  onMount(async () => {
    await search.begin();
    if (search.wishes) await search.search();
  });
  onDestroy(() => {
    search.stop();
    bench.showMix('', null);
  });

  async function take(proposal: Proposal): Promise<void> {
    try {
      await search.take(proposal);
      notices.say(
        `Kept as revision ${bench.based_on}, with the wishes as its why. Undo takes it off the bench.`
      );
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }

  async function keepWishes(): Promise<void> {
    try {
      const name = bench.brief?.brief.name ?? bench.head.name;
      download(`${search.wishes?.use ?? 'wishes'}-brief.json`, await briefFile(name, search.wishes!));
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }
</script>

<svelte:window onkeydown={(e) => e.key === 'Escape' && search.busy && search.stop()} />

{#if !bench.use}
  <p class="soft mt-2">Say what the mix is for, under its name. Then blends can be proposed for it.</p>
{:else if search.wishes}
  <div class="panel">
    <WishList {search} />
    <p class="does">
      {#if search.busy}
        <button class="action" onclick={() => search.stop()}>Stop</button>
        <span class="soft" role="status"
          >Searching … {search.proposals.length} of {search.wishes.aims?.length ?? 6} found</span
        >
      {:else}
        <Adding {search} />
        <button class="action" class:main={!search.fresh} onclick={() => search.search()}
          >{search.fresh ? 'Search again' : 'Find blends for these wishes'}</button
        >
        <button class="link" aria-expanded={trading} onclick={() => (trading = !trading)}
          >trade two aims off</button
        >
        <button class="link" onclick={keepWishes}>brief file</button>
        {#if search.stopped}<span class="close">Stopped, with the best so far.</span>{/if}
      {/if}
    </p>
    {#if search.wrong}<p class="held" role="alert">{search.wrong}</p>{/if}
    {#if trading}
      <Sweep {search} ontake={take} />
    {:else}
      {#if search.clashes.length}<Clashes {search} />{/if}
      {#if search.proposals.length}
        <Proposals {search} ontake={take} />
        {#if search.chosen}<Chosen {search} proposal={search.chosen} ontake={take} />{:else}
          <p class="soft small mt-2">
            Point at one, or walk with the arrow keys: it stands beside the column. Enter takes it.
          </p>
        {/if}
      {/if}
      {#if search.stopped && !search.proposals.length && !search.clashes.length}
        <p class="mt-2">
          Nothing was found in the time. Fewer flours to choose from, or fewer wishes, make it quicker.
        </p>
      {/if}
      {#each search.skipped as skip (skip.aim)}<p class="soft small">
          No blend for {skip.label}: {skip.why}.
        </p>{/each}
      {#each search.notes as note, n (n)}<p class="soft small">{note}</p>{/each}
      {#if search.proposals.length}
        <p class="soft small mt-1">
          Numbers are typical values; what a blend is for, and its bands, are rules of thumb.
          <a href="#/method/proposals">How blends are found</a>
        </p>
      {/if}
    {/if}
  </div>
{:else if search.wrong}
  <p class="held mt-2" role="alert">{search.wrong}</p>
{:else}
  <p class="soft mt-2" role="status">Laying the wishes out …</p>
{/if}

<style>
  .panel {
    padding-top: 0.5rem;
  }

  .does {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1.1rem;
    align-items: center;
    margin-top: 0.5rem;
  }
</style>
