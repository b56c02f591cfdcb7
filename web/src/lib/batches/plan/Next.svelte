<!-- The one thing that comes next for a batch, and beside it what can be taken back or given up. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import HandOut from '../../device/HandOut.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';
  import { bringTo } from '../doing';
  import type { Batch } from '../types';

  const { batch, changed }: { batch: Batch; changed: (next: Batch) => void } = $props();
  const BACK: Record<string, [string, string]> = {
    weighing: ['planned', 'Back to the plan'],
    blended: ['weighing', 'Back to weighing'],
    bagged: ['blended', 'Back to the blended mix']
  };
  let givingUp = $state(false);
  let handing = $state(false);
  let fate = $state<Record<string, string>>({});
  let why = $state('');
  const inside = $derived(batch.parts.filter((p) => p.poured_g > 0));
  const allIn = $derived(batch.parts.every((p) => p.stands === 'passes' || p.stands === 'held'));

  const go = (to: string): Promise<void> =>
    attempt(async () => changed(await bringTo(batch, { to: to as never, fate: {}, why: '' })));

  async function begin(): Promise<void> {
    await attempt(async () => {
      if (batch.state === 'planned') changed(await bringTo(batch, { to: 'weighing', fate: {}, why: '' }));
      await push(`/weigh/${batch.id}`);
    });
  }

  async function giveUp(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      changed(await bringTo(batch, { to: 'abandoned', fate: fate as never, why }));
      givingUp = false;
    });
  }
</script>

<div class="acts no-print">
  {#if batch.state === 'planned'}
    <button class="action main" onclick={begin}>Begin weighing</button>
    <a class="action quiet" href="#/weigh-sheet/{batch.id}">Weigh sheet on paper</a>
  {:else if batch.state === 'weighing'}
    <button class="action" class:main={!allIn} onclick={begin}>Go on weighing</button>
    <button class="action" onclick={() => (handing = true)}>Onto a phone</button>
    <a class="action quiet" href="#/weigh-sheet/{batch.id}">On paper</a>
    {#if allIn}<button class="action main" onclick={() => go('blended')}>It is blended</button>{/if}
  {:else if batch.state === 'bagged' && batch.left_g <= 0}
    <button class="action main" onclick={() => go('used-up')}>It is used up</button>
  {/if}
  {#if batch.in_g > 0}<a class="action" href="#/label/{batch.id}">Label</a>{/if}
  {#if batch.code}<a class="action" href="#/trace/batch/{batch.id}">Trace</a>
    <a class="action quiet" href="/api/v1/batches/{batch.id}/export" download>Save as a file</a>{/if}
  {#if BACK[batch.state]}
    {@const [to, word] = BACK[batch.state]!}
    <button class="action quiet" onclick={() => go(to)}>{word}</button>
  {/if}
  {#if ['planned', 'weighing', 'blended'].includes(batch.state)}
    <button class="action quiet" onclick={() => (inside.length ? (givingUp = true) : go('abandoned'))}
      >Give it up</button
    >
  {/if}
</div>

<HandOut of="batches" id={batch.id} open={handing} onclose={() => (handing = false)} />

<Sheet open={givingUp} title="Give this batch up" onclose={() => (givingUp = false)}>
  <form onsubmit={giveUp}>
    <p>Where does what was weighed go?</p>
    {#each inside as p (p.ingredient)}
      <label class="fate">
        <span>{p.name}, {p.poured_g} g</span>
        <select required class="field" bind:value={fate[p.ingredient]}>
          <option value="" disabled selected>choose</option>
          <option value="back">back into its lot</option>
          <option value="away">thrown away</option>
        </select>
      </label>
    {/each}
    <label class="fate"><span>Why</span><input class="field" bind:value={why} /></label>
    <button class="action main">Give it up</button>
  </form>
</Sheet>

<style>
  .acts {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin: 0 0 0.9rem;
  }

  .acts .action {
    min-height: 40px;
  }

  .fate {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    margin: 0.4rem 0;
  }
</style>
