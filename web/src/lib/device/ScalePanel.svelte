<!-- The scale at the foot of any page: its reading goes into the mass field that had the focus last. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import ScaleFace from './ScaleFace.svelte';
  import { scale } from './scale.svelte';

  const into = $derived(scale.target ? scale.targetName : '');
</script>

{#if scale.open}
  <aside aria-label="Scale" class="no-print">
    <ScaleFace
      onread={into ? () => scale.give() : undefined}
      word="Into {into.length > 30 ? `${into.slice(0, 29)}…` : into}"
    />
    {#if !into}<span class="small soft">Choose a field for a mass; what stands here can go into it.</span
      >{/if}
    <button class="action quiet" aria-label="Put the scale away" onclick={() => (scale.open = false)}>
      <X size={18} aria-hidden="true" />
    </button>
  </aside>
{/if}

<style>
  aside {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem 1rem;
    padding: 0.5rem 1.25rem;
    border-top: 2px solid var(--ink);
    background: var(--ground);
  }

  aside > .action {
    margin-left: auto;
  }
</style>
