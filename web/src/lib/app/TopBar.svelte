<script lang="ts">
  import Moon from '@lucide/svelte/icons/moon';
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Search from '@lucide/svelte/icons/search';
  import Settings from '@lucide/svelte/icons/settings';
  import Sun from '@lucide/svelte/icons/sun';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import Weight from '@lucide/svelte/icons/weight';
  import { appearance } from './appearance.svelte';
  import { scale } from '../device/scale.svelte';
  import { current } from './current.svelte';
  import { undoing } from './undo.svelte';
  import WorkPath from './WorkPath.svelte';

  interface Props {
    onsearch: () => void;
    onkeys: () => void;
  }
  const { onsearch, onkeys }: Props = $props();

  const brief = $derived(current.brief);
  const on = $derived(undoing.on);
</script>

<header class="no-print">
  <a class="name" href="#/">Fallow Sieve</a>
  <WorkPath />
  {#if brief}
    <a class="brief" href="#/briefs/{brief.brief.id}" title="Open the brief">
      <span class="brief-name">{brief.brief.name}</span>
      <span class="soft small">{[brief.use_name.toLowerCase(), ...brief.wishes].join(' · ')}</span>
    </a>
  {:else}
    <span class="brief-none"></span>
  {/if}
  <div class="tools">
    {#if on}
      <button class="action quiet" disabled={!on.canUndo} onclick={() => on.undo()} aria-label="Undo">
        <Undo2 size={18} aria-hidden="true" />
      </button>
      <button class="action quiet" disabled={!on.canRedo} onclick={() => on.redo()} aria-label="Redo">
        <Redo2 size={18} aria-hidden="true" />
      </button>
    {/if}
    <button class="action quiet" onclick={onsearch} aria-label="Find (key /)">
      <Search size={18} aria-hidden="true" /><kbd class="wide-only">/</kbd>
    </button>
    <button
      class="action quiet"
      aria-label="Scale"
      aria-pressed={scale.open}
      title="The scale on the bench"
      onclick={() => (scale.open = !scale.open)}
    >
      <Weight size={18} aria-hidden="true" />
    </button>
    <button class="action quiet keys" onclick={onkeys} aria-label="Keys (key ?)"><kbd>?</kbd></button>
    <button
      class="action quiet"
      onclick={() => appearance.toggle()}
      aria-label={appearance.dark ? 'Light appearance' : 'Dark appearance'}
    >
      {#if appearance.dark}<Sun size={18} aria-hidden="true" />{:else}<Moon
          size={18}
          aria-hidden="true"
        />{/if}
    </button>
    <a class="action quiet" href="#/settings" aria-label="Kitchen settings"
      ><Settings size={18} aria-hidden="true" /></a
    >
  </div>
</header>

<style>
  header {
    position: relative;
    display: flex;
    align-items: stretch;
    gap: 1.5rem;
    height: var(--bar);
    padding: 0 0.75rem 0 1.25rem;
    border-bottom: 1px solid var(--hairline);
    background: var(--ground);
  }

  .name {
    align-self: center;
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
    white-space: nowrap;
  }

  .brief {
    flex: 1;
    display: flex;
    flex-direction: column;
    justify-content: center;
    min-width: 7rem;
    margin: 6px 0 6px auto;
    padding-left: 0.75rem;
    border-left: 3px solid var(--flax);
    color: var(--ink);
    line-height: 1.25;
    text-decoration: none;
    max-width: 30rem;
  }

  .brief-none {
    flex: 1;
  }

  .brief span {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .brief:hover .brief-name {
    color: var(--flax);
    text-decoration: underline;
  }

  .tools {
    display: flex;
    align-items: center;
    gap: 0.1rem;
  }

  .tools .action {
    min-width: 36px;
    padding: 0 0.45rem;
  }

  .tools a {
    color: inherit;
  }

  @media (max-width: 1180px) {
    header {
      gap: 0.9rem;
    }
  }

  @media (max-width: 820px) {
    header {
      gap: 0.75rem;
      padding: 0 0.5rem;
    }

    .brief,
    .brief-none,
    .wide-only {
      display: none;
    }
  }

  @media (max-width: 480px) {
    header {
      flex-wrap: wrap;
      gap: 0 0.75rem;
      height: auto;
    }

    .keys {
      display: none;
    }

    .tools {
      margin-left: auto;
      min-height: var(--bar);
    }
  }
</style>
