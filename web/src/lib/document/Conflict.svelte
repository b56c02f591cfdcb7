<!-- Two drafts of one document: someone else saved in between. Shows what differs and lets the person choose. -->
<script lang="ts" generics="Content, Judgement">
  import type { Snippet } from 'svelte';
  import { wordsOf } from '../api/client';
  import { notices } from '../ui/state/notices.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import type { Document } from './document.svelte';

  interface Props {
    bench: Document<Content, Judgement>;
    /** What differs from theirs to mine, where neither is empty. */
    differs: Snippet<[Content, Content]>;
  }
  const { bench, differs }: Props = $props();
  const theirs = $derived(bench.save.theirs);
  let putOff = $state(false);

  async function settle(how: () => Promise<unknown>): Promise<void> {
    try {
      await how();
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }
</script>

{#if theirs}
  <Sheet
    open={!putOff}
    wide
    title="This {bench.noun.name} was changed somewhere else"
    onclose={() => (putOff = true)}
  >
    <p>
      Another page or person saved a different draft. Nothing is overwritten until you choose. From theirs to
      yours:
    </p>
    {#if !bench.noun.isEmpty(theirs.content) && !bench.isEmpty}
      {@render differs(theirs.content, bench.content)}
    {:else}
      <p class="soft">One of the two is empty.</p>
    {/if}
    <div class="mt-3 flex flex-wrap gap-2">
      <button class="action main" onclick={() => settle(() => bench.takeTheirs())}>
        Take theirs, keep mine as a copy
      </button>
      <button class="action" onclick={() => settle(() => bench.save.overwrite())}>Put mine over theirs</button
      >
    </div>
  </Sheet>
  {#if putOff}
    <p class="later" role="alert">
      Not saved: someone else changed this {bench.noun.name}.
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
