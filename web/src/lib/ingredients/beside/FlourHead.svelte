<!-- The head of a flour's column: its name, and its colour beside that of wheat. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import type { Schemas } from '../../api/client';
  import { kitchen } from '../../app/kitchen.svelte';
  import RoleChip from '../shelf/RoleChip.svelte';

  interface Props {
    flour: Schemas['SideFlourOut'];
    onput: () => void;
  }
  const { flour, onput }: Props = $props();
  const colour = (lab: readonly number[] | null | undefined): string =>
    lab ? `lab(${lab[0]}% ${lab[1]} ${lab[2]})` : 'transparent';
  const wheat = $derived(kitchen.reference?.wheat_lab);
</script>

<div class="head">
  <span class="top">
    <RoleChip role={flour.role} />
    <a href="#/ingredients/{flour.slug}"><b>{flour.name}</b></a>
    <button aria-label="Put {flour.name} back" onclick={onput}><X size={15} aria-hidden="true" /></button>
  </span>
  {#if flour.lab}
    <span class="swatch small" title="Its colour, beside wheat flour’s; a guide only">
      <i style:background={colour(flour.lab)}></i><i style:background={colour(wheat)}></i>
      <span class="soft">it, and wheat</span>
    </span>
  {:else}
    <span class="soft small">colour unknown</span>
  {/if}
</div>

<style>
  .head {
    display: flex;
    flex-direction: column;
    gap: 0.35rem;
    padding: 0.5rem 0 0.25rem;
  }

  .top {
    display: flex;
    align-items: flex-start;
    gap: 0.4rem;
    min-height: 2.6rem;
    line-height: 1.2;
  }

  .top a {
    flex: 1;
    color: var(--ink);
  }

  button {
    display: grid;
    place-items: center;
    width: 26px;
    height: 26px;
    color: var(--soft);
    cursor: pointer;
  }

  button:hover {
    color: var(--flax);
  }

  .swatch {
    display: flex;
    align-items: center;
  }

  i {
    width: 34px;
    height: 18px;
    border: 1px solid var(--tube);
  }

  i + i {
    margin: 0 0.4rem 0 -1px;
  }
</style>
