<!-- Two drafts of one formula: someone else saved in between. The person chooses; nothing is overwritten before. -->
<script lang="ts">
  import { wordsOf } from '../api/client';
  import { mass } from '../format';
  import { kitchen } from '../kitchen.svelte';
  import { notices } from '../ui/notices.svelte';
  import Sheet from '../ui/Sheet.svelte';
  import type { FormulaBench } from './formula.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  const theirs = $derived(bench.save.theirs);
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
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
  <Sheet open={!putOff} wide title="This formula was changed somewhere else" onclose={() => (putOff = true)}>
    <p>Another page or person saved a different draft. Nothing is overwritten until you choose.</p>
    <table class="lines">
      <thead><tr><th scope="col">theirs</th><th scope="col">yours</th></tr></thead>
      <tbody>
        {#each { length: Math.max(theirs.content.lines.length, bench.lines.length) }, n}
          {@const a = theirs.content.lines[n]}
          {@const b = bench.lines[n]}
          <tr
            ><td>{a ? `${mass(a.mass_g, unit)} ${a.ingredient}` : ''}</td><td
              >{b ? `${mass(b.mass_g, unit)} ${b.ingredient}` : ''}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    <div class="mt-3 flex flex-wrap gap-2">
      <button class="action main" onclick={() => settle(() => bench.takeTheirs())}
        >Take theirs, keep mine as a copy</button
      >
      <button class="action" onclick={() => settle(() => bench.save.overwrite())}>Put mine over theirs</button
      >
    </div>
  </Sheet>
  {#if putOff}
    <p class="later" role="alert">
      Not saved: someone else changed this formula.
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
