<script lang="ts">
  import Moon from '@lucide/svelte/icons/moon';
  import Redo2 from '@lucide/svelte/icons/redo-2';
  import Search from '@lucide/svelte/icons/search';
  import Settings from '@lucide/svelte/icons/settings';
  import Sun from '@lucide/svelte/icons/sun';
  import Undo2 from '@lucide/svelte/icons/undo-2';
  import Weight from '@lucide/svelte/icons/weight';
  import { router } from 'svelte-spa-router';
  import { appearance } from './appearance.svelte';
  import { scale } from '../device/scale.svelte';
  import { current } from './current.svelte';
  import { undoing } from './undo.svelte';

  interface Props {
    onsearch: () => void;
    onkeys: () => void;
  }
  const { onsearch, onkeys }: Props = $props();

  // The path of the work, in its order. A stage stands here once it can be used.
  const stages = [
    { href: '#/', label: 'Briefs', at: /^\/(briefs.*)?$/ },
    { href: '#/ingredients', label: 'Ingredients', at: /^\/(ingredients|side-by-side|shelf|scale)/ },
    { href: '#/blends', label: 'Blends', at: /^\/(blends|bench|compare|print)/ },
    { href: '#/formulas', label: 'Formulas', at: /^\/(formulas|formula|card|recipe)/ },
    { href: '#/schedules', label: 'Schedule', at: /^\/(schedules|schedule|plan|now|day|starters)/ },
    { href: '#/trials', label: 'Trials', at: /^\/(trials|trial|bake|family|last)/ },
    { href: '#/tastings', label: 'Tastings', at: /^\/(tastings|tasting|taste|plating|pooled)/ },
    { href: '#/experiments', label: 'Experiments', at: /^\/(experiments|experiment)/ },
    { href: '#/batches', label: 'Batches', at: /^\/(batches|batch|weigh|label|trace|stock|bins|weigh-sheet)/ }
  ];
  const brief = $derived(current.brief);
  const on = $derived(undoing.on);
  let path = $state<HTMLElement>();

  // Where the path is longer than the bar, where one is stays in sight.
  $effect(() => {
    if (router.location)
      path?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  });
</script>

<header class="no-print">
  <a class="name" href="#/">Fallow Sieve</a>
  <nav aria-label="Path of the work" bind:this={path}>
    {#each stages as stage (stage.href)}
      <a href={stage.href} aria-current={stage.at.test(router.location) ? 'page' : undefined}>{stage.label}</a
      >
    {/each}
  </nav>
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

  /* A path that is longer than its room scrolls; where one is stays in sight. */
  nav {
    display: flex;
    flex: 0 1 auto;
    gap: 1.1rem;
    min-width: 0;
    overflow-x: auto;
    scrollbar-width: none;
  }

  nav a {
    display: flex;
    align-items: center;
    border-bottom: 3px solid transparent;
    border-top: 3px solid transparent;
    color: var(--soft);
    text-decoration: none;
  }

  nav a:hover {
    color: var(--flax);
  }

  nav a[aria-current] {
    border-bottom-color: var(--flax);
    color: var(--ink);
    font-weight: 600;
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

    nav {
      gap: 0.85rem;
    }
  }

  @media (max-width: 820px) {
    header {
      gap: 0.75rem;
      padding: 0 0.5rem;
    }

    .brief,
    .wide-only {
      display: none;
    }

    nav {
      flex: 1;
    }
  }

  /* On a phone the path has a row of its own, whole from its beginning; a longer one scrolls. */
  @media (max-width: 480px) {
    header {
      flex-wrap: wrap;
      gap: 0 0.75rem;
      height: auto;
    }

    .keys {
      display: none;
    }

    nav {
      order: 1;
      flex: none;
      width: 100%;
      min-width: 0;
      height: 40px;
      gap: 1.1rem;
      overflow-x: auto;
      scrollbar-width: none;
    }

    .tools {
      margin-left: auto;
      min-height: var(--bar);
    }
  }
</style>
