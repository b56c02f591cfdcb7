<!-- What is odd: each in its own line, with a mark that is not colour alone. -->
<script lang="ts">
  import TriangleAlert from '@lucide/svelte/icons/triangle-alert';

  const { warnings }: { warnings: readonly string[] } = $props();
</script>

{#if warnings.length}
  <ul aria-label="To look at">
    {#each warnings as warning (warning)}<li>
        <TriangleAlert size={16} aria-hidden="true" /> <span>{warning}</span>
      </li>{/each}
  </ul>
{/if}

<style>
  ul {
    margin-top: 0.6rem;
  }

  li {
    display: flex;
    gap: 0.5rem;
    padding: 0.35rem 0.6rem;
    border-left: 4px solid var(--close);
  }

  li :global(svg) {
    flex: none;
    margin-top: 0.15rem;
    color: var(--close);
  }
</style>
