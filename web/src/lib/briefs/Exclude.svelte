<!-- Ingredients that the brief leaves out. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { onMount } from 'svelte';
  import { allPages, api, ask, wordsOf, type Ingredient } from '../api/client';
  import type { BriefDraft } from './brief.svelte';

  const { draft }: { draft: BriefDraft } = $props();
  let all = $state.raw<Ingredient[]>([]);
  let trouble = $state('');
  const nameOf = (slug: string): string => all.find((i) => i.slug === slug)?.name ?? slug;

  onMount(async () => {
    try {
      all = await allPages((cursor) =>
        ask(api.GET('/api/v1/ingredients', { params: { query: { limit: 100, cursor } } }))
      );
    } catch (error) {
      trouble = wordsOf(error);
    }
  });

  function add(event: Event): void {
    const select = event.currentTarget as HTMLSelectElement;
    if (select.value && !draft.exclude.includes(select.value))
      draft.exclude = [...draft.exclude, select.value];
    select.value = '';
  }
</script>

<div class="line">
  <label for="exclude">It does without</label>
  {#each draft.exclude as slug (slug)}
    <span class="out">
      {nameOf(slug).toLowerCase()}
      <button
        type="button"
        class="drop"
        aria-label="Allow {nameOf(slug)} again"
        onclick={() => (draft.exclude = draft.exclude.filter((s) => s !== slug))}
      >
        <X size={15} aria-hidden="true" />
      </button>
    </span>
  {/each}
  <select id="exclude" class="field" onchange={add}>
    <option value="">{draft.exclude.length ? 'and …' : 'no ingredient in particular'}</option>
    {#each all as item (item.slug)}<option value={item.slug}>{item.name}</option>{/each}
  </select>
  {#if trouble}<span class="held" role="alert">{trouble}</span>{/if}
</div>

<style>
  .line {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem;
    margin: 0.9rem 0;
  }

  .out {
    display: inline-flex;
    align-items: center;
    gap: 0.2rem;
    padding: 0 0.2rem 0 0.5rem;
    border: 1px solid var(--held);
    background: var(--held-wash);
  }

  .drop {
    display: grid;
    place-items: center;
    width: 28px;
    height: 28px;
    cursor: pointer;
  }

  .field {
    max-width: 18rem;
  }
</style>
