<!-- Big buttons for the chosen part: for floury hands on a tablet or a phone. -->
<script lang="ts">
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import Minus from '@lucide/svelte/icons/minus';
  import Package from '@lucide/svelte/icons/package';
  import Plus from '@lucide/svelte/icons/plus';
  import Trash2 from '@lucide/svelte/icons/trash-2';
  import type { Bench } from './bench.svelte';

  const { bench }: { bench: Bench } = $props();
  const part = $derived(bench.parts.find((p) => p.ingredient === bench.selected));
  const name = $derived(part ? bench.nameOf(part.ingredient).replace(/ \(.*\)$/, '') : '');
</script>

<div class="hands">
  {#if part}
    <span class="what">{name}</span>
    <button class="action" aria-label="Less {name}" onclick={() => bench.nudge(part, -1)}>
      <Minus size={20} aria-hidden="true" />
    </button>
    <button class="action" aria-label="More {name}" onclick={() => bench.nudge(part, 1)}>
      <Plus size={20} aria-hidden="true" />
    </button>
    <button
      class="action"
      aria-pressed={part.locked}
      aria-label="Lock {name}"
      onclick={() => bench.toggleLock(part.ingredient)}
    >
      {#if part.locked}<Lock size={18} aria-hidden="true" />{:else}<LockOpen
          size={18}
          aria-hidden="true"
        />{/if}
    </button>
    <button class="action" aria-label="Which lot of {name}" onclick={() => (bench.asksLot = part.ingredient)}>
      <Package size={18} aria-hidden="true" />
    </button>
    <button class="action" aria-label="Remove {name}" onclick={() => bench.remove(part.ingredient)}>
      <Trash2 size={18} aria-hidden="true" />
    </button>
  {:else if bench.parts.length}
    <span class="soft small">Touch a part to nudge, lock or remove it.</span>
  {/if}
</div>

<style>
  .hands {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    min-height: 48px;
    padding-top: 0.4rem;
  }

  .what {
    flex: 1;
    min-width: 0;
    overflow: hidden;
    font-weight: 600;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .action {
    min-width: 48px;
    min-height: 44px;
    padding: 0;
  }
</style>
