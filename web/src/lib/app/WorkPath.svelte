<!-- The path of the work. Where there is no room for all of it: one stage back, where one is, one on; the rest a tap away. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronLeft from '@lucide/svelte/icons/chevron-left';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import { router } from 'svelte-spa-router';
  import { MediaQuery } from 'svelte/reactivity';
  import { STAGES, stageAt } from './stages';

  const narrow = new MediaQuery('max-width: 820px');
  const here = $derived(stageAt(router.location));
  const before = $derived(here > 0 ? STAGES[here - 1] : undefined);
  const after = $derived(here >= 0 ? STAGES[here + 1] : undefined);
  let path = $state<HTMLElement>();
  let opener = $state<HTMLButtonElement>();
  let open = $state(false);

  // Where the path is longer than the bar, where one is stays in sight; going anywhere closes the list.
  $effect(() => {
    if (router.location) open = false;
    path?.querySelector('[aria-current]')?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  });

  function key(event: KeyboardEvent): void {
    if (event.key !== 'Escape' || !open) return;
    event.stopPropagation();
    open = false;
    opener?.focus();
  }

  function left(event: FocusEvent): void {
    if (event.relatedTarget && !path?.contains(event.relatedTarget as Node)) open = false;
  }

  function pressed(event: PointerEvent): void {
    if (!path?.contains(event.target as Node)) open = false;
  }
</script>

<svelte:window onpointerdown={open ? pressed : undefined} />

{#snippet all()}
  {#each STAGES as stage, n (stage.href)}
    <a href={stage.href} aria-current={n === here ? 'page' : undefined} onclick={() => (open = false)}
      >{stage.label}</a
    >
  {/each}
{/snippet}

<!-- svelte-ignore a11y_no_noninteractive_element_interactions -->
<nav
  aria-label="Path of the work"
  class:short={narrow.current}
  bind:this={path}
  onkeydown={key}
  onfocusout={left}
>
  {#if !narrow.current}
    {@render all()}
  {:else}
    {#if before}<a class="step" href={before.href}
        ><ChevronLeft size={15} aria-hidden="true" />{before.label}</a
      >{/if}
    <button bind:this={opener} class="here" aria-expanded={open} onclick={() => (open = !open)}>
      {STAGES[here]?.label ?? 'Path of the work'}<ChevronDown size={15} aria-hidden="true" />
    </button>
    {#if after}<a class="step" href={after.href}>{after.label}<ChevronRight size={15} aria-hidden="true" /></a
      >{/if}
    {#if open}<div class="all">{@render all()}</div>{/if}
  {/if}
</nav>

<style>
  /* A path that is longer than its room scrolls; where one is stays in sight. */
  nav {
    display: flex;
    flex: 0 1 auto;
    gap: 1.1rem;
    min-width: 0;
    overflow-x: auto;
    scrollbar-width: none;
  }

  a,
  .here {
    display: flex;
    align-items: center;
    gap: 0.2rem;
    border-bottom: 3px solid transparent;
    border-top: 3px solid transparent;
    color: var(--soft);
    text-decoration: none;
    white-space: nowrap;
  }

  a:hover {
    color: var(--flax);
  }

  a[aria-current],
  .here {
    border-bottom-color: var(--flax);
    color: var(--ink);
    font-weight: 600;
  }

  .here {
    cursor: pointer;
  }

  .short {
    flex: 1;
    justify-content: center;
    overflow: visible;
  }

  .all {
    position: absolute;
    inset: 100% 0 auto;
    z-index: 40;
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    padding: 0.5rem 0.75rem 0.75rem;
    border-bottom: 1px solid var(--hairline);
    background: var(--sheet);
    box-shadow: 0 6px 12px rgb(0 0 0 / 0.12);
  }

  .all a {
    justify-self: start;
    min-height: 44px;
  }

  @media (max-width: 1180px) {
    nav {
      gap: 0.85rem;
    }
  }

  /* On a phone the path has a row of its own. */
  @media (max-width: 480px) {
    .short {
      order: 1;
      flex: none;
      justify-content: space-between;
      width: 100%;
      height: 44px;
    }
  }
</style>
