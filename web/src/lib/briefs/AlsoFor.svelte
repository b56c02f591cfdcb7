<!-- Further uses of a mix, each with how much it counts. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { kitchen } from '../app/kitchen.svelte';
  import type { BriefDraft } from './brief.svelte';

  const { draft }: { draft: BriefDraft } = $props();
  const uses = $derived(kitchen.reference?.uses ?? []);
  const taken = $derived(new Set([draft.use, ...draft.also.map((u) => u.use)]));

  function add(): void {
    const next = uses.find((u) => !taken.has(u.slug));
    if (next) draft.also = [...draft.also, { use: next.slug, weight: '1' }];
  }
</script>

{#if draft.also.length}
  <ul>
    {#each draft.also as one, n (n)}
      <li>
        <span>and for</span>
        <select class="field" aria-label="Further use {n + 1}" bind:value={one.use}>
          {#each uses.filter((u) => u.slug === one.use || !taken.has(u.slug)) as u (u.slug)}<option
              value={u.slug}>{u.name.toLowerCase()}</option
            >{/each}
        </select>
        <label for="weight-{n}">counting</label>
        <input id="weight-{n}" class="field num" inputmode="decimal" bind:value={one.weight} />
        <button
          type="button"
          class="action quiet"
          aria-label="Drop further use {n + 1}"
          onclick={() => (draft.also = draft.also.filter((_, i) => i !== n))}
        >
          <X size={16} aria-hidden="true" />
        </button>
      </li>
    {/each}
    <li>
      <label for="weight">The first of them counts</label>
      <input id="weight" class="field num" inputmode="decimal" bind:value={draft.weight} />
      <span class="soft small"
        >It fits as well as it does for the worst of them; the weights decide between mixes that are alike in
        that.</span
      >
    </li>
  </ul>
{/if}
<p>
  <button type="button" class="action" onclick={add} disabled={taken.size >= Math.min(12, uses.length)}
    >{draft.also.length ? 'And for another bake' : 'The same mix for another bake, too'}</button
  >
</p>

<style>
  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem;
    margin: 0.4rem 0;
  }

  input {
    width: 4rem;
  }
</style>
