<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { notices } from './state/notices.svelte';
</script>

<div class="stack no-print" role="status" aria-live="polite">
  {#each notices.all as notice (notice.id)}
    <p class:wrong={notice.wrong}>
      <span>{notice.say}</span>
      <button class="action quiet" aria-label="Put this message away" onclick={() => notices.drop(notice.id)}>
        <X size={16} aria-hidden="true" />
      </button>
    </p>
  {/each}
</div>

<style>
  .stack {
    position: fixed;
    z-index: 60;
    right: 1rem;
    bottom: calc(var(--bag) + 1rem);
    max-width: min(26rem, calc(100vw - 2rem));
  }

  p {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    margin-top: 0.5rem;
    padding: 0.35rem 0.25rem 0.35rem 0.85rem;
    border: 1px solid var(--line);
    border-left: 4px solid var(--flax);
    background: var(--sheet);
  }

  p.wrong {
    border-left-color: var(--held);
  }

  span {
    flex: 1;
  }
</style>
