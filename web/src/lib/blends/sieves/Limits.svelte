<!-- The limits of the brief: one plain line each. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import StatusIcon from '../../bands/StatusIcon.svelte';
  import { STATUS_CLASS, STATUS_WORDS } from '../../bands/words';

  const { limits }: { limits: readonly Schemas['LimitResult'][] } = $props();
</script>

{#if limits.length}
  <ul aria-label="Limits of the brief">
    {#each limits as limit (limit.limit)}
      <li>
        <StatusIcon status={limit.status} />
        <span class="label">{limit.label}</span>
        <span
          ><b class={STATUS_CLASS[limit.status]}>{STATUS_WORDS[limit.status]}</b>
          <span class="soft">{limit.say}</span></span
        >
      </li>
    {/each}
  </ul>
{/if}

<style>
  ul {
    padding: 0.3rem 0;
    border-bottom: 1px solid var(--hairline);
    font-size: var(--small);
  }

  li {
    display: grid;
    grid-template-columns: 16px 5.75rem 1fr;
    gap: 0.4rem;
    align-items: baseline;
    padding: 0.1rem 0;
  }

  li :global(svg) {
    align-self: center;
  }

  .label {
    font-weight: 600;
  }
</style>
