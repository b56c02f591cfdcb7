<!-- One sieve: name, scale, value, word and distance; opens to how it is worked out. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import type { BandResult, Part } from '../../api/client';
  import { figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import HowWorked from './HowWorked.svelte';
  import { ticksOf, type MixOnRecord } from './practice.svelte';
  import BandLine from '../../bands/BandLine.svelte';
  import LayeredLine from '../../bands/LayeredLine.svelte';
  import OfUses from './OfUses.svelte';
  import { STATUS_CLASS, standing } from '../../bands/words';

  interface Props {
    result: BandResult;
    parts: readonly Part[];
    most?: string;
    /** Of 100 bags, with how many it passes here; null while that is not known. */
    bags_pct?: number | null;
    open: boolean;
    ontoggle: () => void;
    onmend?: () => void;
    use?: string | null;
    /** The mixes on record that it is judged among. */
    mixes?: readonly MixOnRecord[];
  }
  const {
    result,
    parts,
    most = '',
    bags_pct = null,
    open,
    ontoggle,
    onmend,
    use = null,
    mixes = []
  }: Props = $props();
  // A name by itself, so that while a hand drags only the mark is drawn anew, and not the mixes on record.
  const name = $derived(result.band.metric);
  const metric = $derived(kitchen.metric(name));
  const ticks = $derived(ticksOf(mixes, name));
  const e = $derived(result.estimate);
  const several = $derived((result.layers?.length ?? 0) > 1);
  const words = $derived(standing(result, metric.decimals));
</script>

<section class="sieve" class:stuck={result.status === 'held'} data-metric={name}>
  <button class="head" aria-expanded={open} onclick={ontoggle}>
    <span class="name">
      {#if open}<ChevronDown size={14} aria-hidden="true" />{:else}<ChevronRight
          size={14}
          aria-hidden="true"
        />{/if}
      <span>{metric.label}</span>
    </span>
    {#if several}
      <LayeredLine
        layers={result.layers ?? []}
        status={result.status}
        value={e.typical}
        low={e.low}
        high={e.high}
        possible={metric}
      />
    {:else}
      <BandLine
        band={result.band}
        status={result.status}
        value={e.typical}
        low={e.low}
        high={e.high}
        possible={metric}
        {ticks}
        holds_low={result.band.holds_low}
        holds_high={result.band.holds_high}
      />
    {/if}
    <span class="num value"
      >{result.status === 'unknown' && e.typical === null ? '?' : figure(e.typical, metric.decimals)}</span
    >
    <span class="small tail">
      <span class="unit"
        >{metric.unit}{#if bags_pct !== null}&nbsp;· {figure(bags_pct, 0)} % of bags{/if}</span
      >
      <span class="word {STATUS_CLASS[result.status]}">{words}</span>
      {#if most && result.status !== 'pass'}<span class="soft most">most from {most}</span>{/if}
    </span>
  </button>
  {#if result.status === 'held' && onmend}
    <button class="link small mend" aria-label="Mend {metric.label.toLowerCase()}" onclick={onmend}
      >mend</button
    >
  {/if}
  {#if open && several}<OfUses {result} />{/if}
  {#if open}<HowWorked {parts} {use} band={result.band} metric={name} />{/if}
</section>

<style>
  .sieve {
    position: relative;
    border-bottom: 1px solid var(--hairline);
  }

  .head {
    display: grid;
    grid-template-columns: 8.25rem minmax(6rem, 1fr) 3.5rem 11.5rem;
    align-items: center;
    gap: 0.75rem;
    width: 100%;
    min-height: 47px;
    text-align: left;
    cursor: pointer;
  }

  .head:hover .name {
    color: var(--flax);
  }

  .name {
    display: flex;
    align-items: center;
    gap: 0.25rem;
    font-weight: 600;
  }

  .value {
    font-size: 1.0625rem;
  }

  .tail {
    display: flex;
    flex-direction: column;
    line-height: 1.25;
  }

  .unit {
    color: var(--soft);
  }

  .word {
    font-weight: 600;
  }

  .mend {
    position: absolute;
    top: 30px;
    left: 29px;
    min-width: 24px;
    min-height: 24px;
  }

  .stuck .head {
    min-height: 56px;
  }

  .stuck {
    border-left: 3px solid var(--held);
    margin-left: -12px;
    padding-left: 9px;
  }

  @media (max-width: 1100px) {
    .head {
      grid-template-columns: 7rem minmax(5rem, 1fr) 3.25rem 8.5rem;
      gap: 0.5rem;
    }
  }

  @media (max-width: 600px) {
    .head {
      grid-template-columns: minmax(0, 1fr) 3.25rem 8.5rem;
      padding: 0.35rem 0;
    }

    .head :global(.line) {
      grid-column: 1 / -1;
      grid-row: 2;
    }
  }
</style>
