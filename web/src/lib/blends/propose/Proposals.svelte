<!-- The proposals side by side, each with its column and its sieves in miniature. -->
<script lang="ts">
  import MiniColumn from '../column/MiniColumn.svelte';
  import { figure, money } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { layersOf, type Proposal } from './lines';
  import MiniSieves from './MiniSieves.svelte';
  import type { Proposing } from './propose.svelte';

  interface Props {
    search: Proposing;
    ontake: (proposal: Proposal) => void;
  }
  const { search, ontake }: Props = $props();
  const order = $derived(
    (kitchen.reference?.metrics ?? [])
      .map((m) => m.name)
      .filter((name) => search.proposals[0]?.sieves.some((s) => s.band.metric === name))
  );
  let across = $state(672);
  const wide = $derived(
    Math.max(66, Math.min(92, (across - 104) / Math.max(1, search.proposals.length) - 2))
  );
  const currency = $derived(kitchen.settings?.currency ?? '');

  function key(event: KeyboardEvent): void {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (!step) return;
    event.preventDefault();
    const at = Math.min(search.proposals.length - 1, Math.max(0, search.at + step));
    search.look(at);
    const place = event.currentTarget as HTMLElement;
    place.querySelectorAll<HTMLElement>('button')[at]?.focus();
  }
</script>

<div class="side-by-side" bind:clientWidth={across}>
  <div class="names small soft" aria-hidden="true">
    <span class="tall"></span>
    <span>per kg</span>
    <span>bags that pass</span>
    {#each order as name (name)}<span>{kitchen.metric(name).label}</span>{/each}
  </div>
  <div class="columns" role="toolbar" tabindex="-1" aria-label="Proposals" onkeydown={key}>
    {#each search.proposals as proposal, n (proposal.aim + n)}
      <button
        class="one"
        style:width="{wide}px"
        class:on={n === search.at}
        aria-pressed={n === search.at}
        tabindex={n === Math.max(0, search.at) ? 0 : -1}
        onpointerenter={() => search.look(n)}
        onfocus={() => search.look(n)}
        onclick={() => (n === search.at ? undefined : search.look(n))}
        onkeydown={(e) => {
          if (e.key !== 'Enter') return;
          e.preventDefault();
          ontake(proposal);
        }}
      >
        <span class="label">{proposal.label}</span>
        <MiniColumn layers={layersOf(proposal.parts)} height={66} width={34} />
        <span class="num small"
          >{money(proposal.cost_per_kg, '')}<span class="sr-only"> {currency} per kg</span></span
        >
        <span class="num small"
          >{figure(proposal.bags.passes_pct, 0)}&nbsp;%<span class="sr-only"> of bags pass</span></span
        >
        <MiniSieves sieves={proposal.sieves} {order} width={wide - 8} />
      </button>
    {/each}
  </div>
</div>

<style>
  .side-by-side {
    position: relative;
    display: flex;
    margin-top: 0.4rem;
    overflow-x: auto;
  }

  .names {
    flex: none;
    width: 6.4rem;
    padding-top: 4px;
  }

  .names span {
    display: block;
    height: 18px;
    overflow: hidden;
    line-height: 18px;
    white-space: nowrap;
    text-overflow: ellipsis;
  }

  .names .tall {
    height: 110px;
  }

  .columns {
    display: flex;
    gap: 2px;
  }

  .one {
    display: flex;
    flex-direction: column;
    align-items: center;
    padding: 3px;
    border: 1px solid transparent;
    cursor: pointer;
  }

  .one > :global(*) {
    flex: none;
  }

  .label {
    display: flex;
    align-items: center;
    justify-content: center;
    width: 100%;
    height: 36px;
    font-weight: 600;
    line-height: 1.1;
    text-align: center;
    overflow-wrap: anywhere;
    hyphens: auto;
  }

  .one .num {
    height: 18px;
    line-height: 18px;
  }

  .one :global(.mini) {
    margin-bottom: 7px;
  }

  .on {
    border-color: var(--flax);
    background: var(--flax-wash);
  }
</style>
