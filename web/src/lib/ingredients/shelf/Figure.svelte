<!-- A number of the shelf: the figure, and under it its range on the column's common scale. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import type { Column } from './shelf.svelte';

  interface Props {
    cell: Schemas['CellOut'] | null;
    column: Column;
    scale: number;
    quality: string;
    decimals: number;
  }
  const { cell, column, scale, quality, decimals }: Props = $props();
  const at = (v: number): number => (scale > 0 ? Math.min(100, Math.max(0, (100 * v) / scale)) : 0);
  const marks: Record<string, string> = { measured: 'm', label: 'l' };
  const mark = $derived(column.group === 'bin' ? '' : (marks[quality] ?? ''));
</script>

{#if cell}
  <span class="figure" class:sure={mark}>{figure(cell.typical, decimals)}<sup>{mark}</sup></span>
  <span class="line" aria-hidden="true">
    <i class="to" style:width="{at(cell.typical)}%"></i>
    {#if cell.high > cell.low}
      <i class="range" style:left="{at(cell.low)}%" style:width="{at(cell.high) - at(cell.low)}%"></i>
    {/if}
  </span>
{:else}
  <span class="figure soft" title="unknown">–<span class="sr-only">unknown</span></span>
{/if}

<style>
  .figure {
    display: block;
    padding-right: 0.55rem;
    line-height: 1.1;
  }

  .sure {
    font-weight: 600;
  }

  sup {
    position: absolute;
    top: 0.2rem;
    color: var(--flax);
    font-size: 0.7rem;
  }

  .line {
    position: relative;
    display: block;
    height: 5px;
    margin: 3px 0.55rem 0 0.2rem;
    background: linear-gradient(var(--hairline), var(--hairline)) center / 100% 1px no-repeat;
  }

  .to,
  .range {
    position: absolute;
    top: 1px;
    left: 0;
    height: 3px;
  }

  .to {
    background: var(--mesh);
  }

  .range {
    top: 2px;
    height: 1px;
    background: var(--ink);
    outline: 0.5px solid var(--ink);
  }
</style>
