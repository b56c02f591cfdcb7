<!-- Wishes about the numbers: at least or at most so much of a metric. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { kitchen } from '../app/kitchen.svelte';
  import type { BriefDraft } from './brief.svelte';

  const { draft }: { draft: BriefDraft } = $props();
  const metrics = $derived((kitchen.reference?.metrics ?? []).filter((m) => m.banded));

  function add(): void {
    draft.wishes = [...draft.wishes, { metric: 'fibre_pct', side: 'least', text: '' }];
  }

  function drop(n: number): void {
    draft.wishes = draft.wishes.filter((_, i) => i !== n);
  }
</script>

<fieldset>
  <legend>Its numbers</legend>
  <p class="soft small">Without a wish of yours, the bands of the use hold. Rules of thumb.</p>
  <ul>
    {#each draft.wishes as wish, n (n)}
      <li>
        <select class="field" aria-label="Wish {n + 1}: what" bind:value={wish.metric}>
          {#each metrics as m (m.name)}<option value={m.name}>{m.label.toLowerCase()}</option>{/each}
        </select>
        <select class="field" aria-label="Wish {n + 1}: at least or at most" bind:value={wish.side}>
          <option value="least">at least</option>
          <option value="most">at most</option>
        </select>
        <input
          class="field num"
          aria-label="Wish {n + 1}: how much"
          inputmode="decimal"
          bind:value={wish.text}
        />
        <span class="soft">{kitchen.metric(wish.metric).unit}</span>
        <button type="button" class="action quiet" aria-label="Drop wish {n + 1}" onclick={() => drop(n)}>
          <X size={16} aria-hidden="true" />
        </button>
      </li>
    {/each}
  </ul>
  <button type="button" class="action" onclick={add}>Add a wish</button>
</fieldset>

<style>
  fieldset {
    margin: 1rem 0;
  }

  li {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem;
    margin: 0.4rem 0;
  }

  input {
    width: 5rem;
  }
</style>
