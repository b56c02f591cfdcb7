<!-- One bag: opened on, where it stands, a scoop out, gone out to whom, thrown away why, or counted. -->
<script lang="ts">
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';
  import { api, ask } from '../../api/client';
  import { loadBatch, moveBag, placeBag } from '../doing';
  import type { Bag, Batch } from '../types';

  const {
    bag,
    batchId,
    changed,
    onclose
  }: { bag: Bag; batchId: number; changed: (next: Batch) => void; onclose: () => void } = $props();
  const KINDS = [
    ['used', 'A scoop out, for a bake here'],
    ['gone-out', 'Gone out'],
    ['thrown-away', 'Thrown away'],
    ['counted', 'Counted: this is left in it']
  ] as const;
  let kind = $state<(typeof KINDS)[number][0]>('used');
  let mass = $state('');
  let words = $state('');
  // svelte-ignore state_referenced_locally
  let place = $state(bag.place);
  // svelte-ignore state_referenced_locally
  let opened = $state(bag.opened_on);

  async function move(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      const mass_g = kind === 'counted' || mass ? Number(mass.replace(',', '.')) : bag.left_g;
      const said = kind === 'gone-out' ? { where: words, why: '' } : { why: words, where: '' };
      changed(await moveBag(bag.id, { kind, mass_g, ...said }));
      onclose();
    });
  }

  const WORDS: Record<string, string> = {
    bagged: 'filled',
    used: 'a scoop out',
    'gone-out': 'gone out',
    counted: 'counted',
    'thrown-away': 'thrown away',
    weighed: 'into another batch',
    voided: 'back from another batch'
  };
  const back = (move_id: number): Promise<void> =>
    attempt(async () => {
      await ask(api.POST('/api/v1/moves/{move_id}/back', { params: { path: { move_id } } }));
      changed(await loadBatch(batchId));
      onclose();
    });

  async function set(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      changed(await placeBag(bag.id, { place, opened_on: opened || null }));
      onclose();
    });
  }
</script>

<Sheet open title="Bag {bag.code}" {onclose}>
  <form onsubmit={move}>
    <label
      ><span>What happens</span>
      <select class="field" bind:value={kind}
        >{#each KINDS as [n, w] (n)}<option value={n}>{w}</option>{/each}</select
      >
    </label>
    <label
      ><span>g</span><input
        class="field num"
        inputmode="decimal"
        placeholder={kind === 'counted' ? '' : String(bag.left_g)}
        bind:value={mass}
      /></label
    >
    {#if kind === 'gone-out'}
      <label><span>Where to, in words</span><input class="field" required bind:value={words} /></label>
    {:else if kind === 'thrown-away'}
      <label
        ><span>Why: date, pests, smell, recall</span><input
          class="field"
          required
          bind:value={words}
        /></label
      >
    {/if}
    <button class="action main">Note it</button>
  </form>
  <form onsubmit={set}>
    <label><span>It stands</span><input class="field" bind:value={place} /></label>
    <label><span>Open since</span><input class="field" type="date" bind:value={opened} /></label>
    <button class="action">Save</button>
  </form>
  <h3>Where it went</h3>
  <ul>
    {#each bag.moves as m (m.id)}
      <li>
        <span class="num">{m.at.slice(0, 10)}</span>
        <span
          >{m.mass_g > 0 ? '+' : '−'}{Math.abs(m.mass_g)} g {WORDS[m.kind] ?? m.kind}
          {m.where || m.why}</span
        >
        {#if m.can_go_back}<button class="link" onclick={() => back(m.id)}>Take back</button>{/if}
      </li>
    {/each}
  </ul>
</Sheet>

<style>
  form {
    display: grid;
    gap: 0.5rem;
    margin-bottom: 1rem;
  }

  li {
    display: grid;
    grid-template-columns: 6rem 1fr auto;
    gap: 0.5rem;
    padding: 0.2rem 0;
  }

  label {
    display: grid;
    gap: 0.1rem;
  }
</style>
