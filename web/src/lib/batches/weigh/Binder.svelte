<!-- Whether the binder is in yet: the one question that nobody may get wrong. -->
<script lang="ts">
  import { grams, type Batch } from '../types';

  const { batch }: { batch: Batch } = $props();
  const binders = $derived(batch.parts.filter((p) => p.role === 'binder'));
  const lacking = $derived(binders.filter((p) => p.poured_g <= 0));
</script>

<p class="binder">
  <svg width="14" height="28" aria-hidden="true">
    <rect width="14" height="28" style:fill="var(--role-binder)" fill-opacity={lacking.length ? 0.3 : 1} />
    <rect width="14" height="28" fill="url(#hatch-binder)" />
  </svg>
  <span>
    {#if !binders.length}<b>No binder in this mix</b><span class="small soft">the baker adds it</span>
    {:else if lacking.length}
      <b>Binder is not in yet</b>
      <span class="small soft"
        >{lacking.map((p) => `${p.name.toLowerCase()}, ${grams(p.target_g, 0.1)} g`).join('; ')}</span
      >
    {:else}<b>Binder is in</b><span class="small soft"
        >{binders.map((p) => `${p.name.toLowerCase()}, ${grams(p.poured_g, 0.1)} g`).join('; ')}</span
      >{/if}
  </span>
</p>

<style>
  .binder {
    display: flex;
    align-items: center;
    gap: 0.75rem;
    margin: 0;
  }

  .binder span span {
    display: block;
  }
</style>
