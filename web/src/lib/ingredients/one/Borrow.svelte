<!-- What is not known of how a flour behaves, and the relative that it can be borrowed from. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { counted } from '../../ui/format';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import type { OneIngredient } from './ingredient.svelte';

  const { one }: { one: OneIngredient } = $props();
  let found = $state.raw<Schemas['RelativesOut'] | null>(null);
  let chosen = $state('');

  loadOn(
    () => one.whole,
    async () => {
      found = await one.relatives();
      chosen = found.relatives[0]?.ingredient ?? '';
    }
  );

  function borrow(): Promise<void> {
    return attempt(async () => {
      const name = found!.relatives.find((r) => r.ingredient === chosen)!.name;
      await one.borrow(chosen);
      notices.say(`Borrowed from ${name}, with twice the range. Each number can be dropped again.`);
    });
  }
</script>

{#if found?.relatives.length}
  <section class="borrow" aria-label="What is not known">
    <p>
      <b
        >{counted(found.lacks.length, 'number')} of how it behaves {found.lacks.length === 1 ? 'is' : 'are'} not
        known</b
      >, so sieves go unjudged:
      <span class="soft"
        >{found.lacks.slice(0, 6).join(', ').toLowerCase()}{found.lacks.length > 6 ? ' …' : ''}</span
      >
    </p>
    <p class="act">
      <label
        >Borrow from <select class="field" bind:value={chosen}>
          {#each found.relatives as r (r.ingredient)}<option value={r.ingredient}
              >{r.name} ({counted(r.gives.length, 'number')})</option
            >{/each}
        </select></label
      >
      <button class="action main" onclick={borrow}>Borrow</button>
      <span class="small soft"
        >Twice the range, and it stays an estimate. <a href="#/method/borrowing">How</a></span
      >
    </p>
  </section>
{/if}

<style>
  .borrow {
    margin: 0.75rem 0;
    padding: 0.6rem 0.9rem;
    border-left: 3px solid var(--close);
    background: var(--sheet);
  }

  .act {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 0.9rem;
    align-items: center;
    margin-top: 0.4rem;
  }
</style>
