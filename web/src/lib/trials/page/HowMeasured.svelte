<!-- How a measure came about: its rule, how it was taken, how far the next limit is, and what it rests on. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import Moves from '../../bands/Moves.svelte';
  import { figure } from '../../ui/format';
  import { inSight } from '../../ui/sight';
  import { loadOn } from '../../ui/state/loading.svelte';

  /** Away from its number it says of what it speaks. */
  const { trial_id, name, apart = false }: { trial_id: number; name: string; apart?: boolean } = $props();
  let found = $state.raw<Schemas['MeasureExplained'] | null>(null);
  let trouble = $state('');
  const there = $derived(found !== null);
  const rows = $derived(
    (found?.rests ?? []).map((r) => ({
      name: r.label,
      there: `${figure(r.value, 0)} ${r.unit}`,
      more: `${figure(r.step, r.step < 1 ? 1 : 0)} ${r.unit}`,
      moves: r.moves
    }))
  );

  async function load(at: { trial_id: number; name: string }): Promise<void> {
    try {
      const params = { path: at };
      found = (await ask(api.GET('/api/v1/trials/{trial_id}/measures/{name}', { params }))).data;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => ({ trial_id, name }), load);
</script>

<div class="small how" {@attach inSight(there)}>
  {#if trouble}
    <p class="held" role="alert">{trouble}</p>
  {:else if found}
    <p>
      {#if apart}<b>{found.label}</b>.
      {/if}{found.say}
    </p>
    <p>
      <span class="rule">{found.rule}.</span>
      {#if found.how}Taken: {found.how}.{/if}
      Source: {found.basis}.
      <a href="#/method/measures">How is this worked out?</a>
    </p>
    {#if rows.length}<Moves {rows} what="It rests on" unit={found.unit} />{/if}
  {:else}
    <p class="soft">Working it out …</p>
  {/if}
</div>

<style>
  .rule {
    display: inline-block;
  }

  .rule::first-letter {
    text-transform: uppercase;
  }

  .how {
    grid-column: 1 / -1;
    padding-bottom: 0.75rem;
  }
</style>
