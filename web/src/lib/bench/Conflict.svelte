<!-- Two drafts of one blend: someone else saved in between. Shows what differs and lets the person choose. -->
<script lang="ts">
  import { wordsOf } from '../api/client';
  import { notices } from '../ui/notices.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import type { Bench } from './bench.svelte';
  import Changes from './Changes.svelte';

  const { bench }: { bench: Bench } = $props();
  const theirs = $derived(bench.save.theirs);
  let putOff = $state(false);

  async function settle(how: () => Promise<void>): Promise<void> {
    try {
      await how();
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }
</script>

{#if theirs}
  <Sheet open={!putOff} wide title="This blend was changed somewhere else" onclose={() => (putOff = true)}>
    <p>
      Another page or person saved a different draft. Nothing is overwritten until you choose. From theirs to
      yours:
    </p>
    {#if theirs.parts.length && bench.parts.length}
      <Changes before={theirs.parts} after={bench.parts} />
    {:else}
      <p class="soft">One of the two is empty.</p>
    {/if}
    <div class="mt-3 flex flex-wrap gap-2">
      <button class="action main" onclick={() => settle(() => bench.takeTheirs())}>
        Take theirs, keep mine as a copy
      </button>
      <button class="action" onclick={() => settle(() => bench.keepMine())}>Put mine over theirs</button>
    </div>
  </Sheet>
  {#if putOff}
    <p class="later" role="alert">
      Not saved: someone else changed this blend.
      <button class="action" onclick={() => (putOff = false)}>Choose</button>
    </p>
  {/if}
{/if}

<style>
  .later {
    padding: 0.4rem 1.25rem;
    border-bottom: 1px solid var(--held);
    background: var(--held-wash);
  }
</style>
