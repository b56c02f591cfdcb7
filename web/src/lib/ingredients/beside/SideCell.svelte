<!-- One number of one flour: the figure, and its bar with whisker on the scale that all of them share. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { day, figure } from '../../ui/format';

  interface Props {
    cell: Schemas['CellOut'] | null;
    column: Schemas['Column'];
    scale: number;
    note: Schemas['NoteOut'] | undefined;
    mass_g: number | null;
  }
  const { cell, column, scale, note, mass_g }: Props = $props();
  const at = (v: number): number => (scale > 0 ? Math.max(0, Math.min(100, (100 * v) / scale)) : 0);
  const places = $derived(column.decimals + (column.on_basis && (mass_g ?? 30) < 50 ? 1 : 0));
  // A range that the figure's own decimals would hide gets one more.
  const fine = $derived(cell && cell.high - cell.low <= 3 * 10 ** -places ? places + 1 : places);
  const how = $derived(
    note
      ? `${note.quality}${note.source ? `: ${note.source}` : ''}${note.noted_on ? `, ${day(note.noted_on)}` : ''}`
      : ''
  );
  const mark = $derived(
    column.group === 'bin' ? '' : ({ measured: 'measured', label: 'label' }[note?.quality ?? ''] ?? '')
  );
</script>

{#if cell}
  <span class="cell" title={how}>
    <span class="num">{figure(cell.typical, places)}</span>
    <span class="soft small">
      {cell.high > cell.low ? `${figure(cell.low, fine)}–${figure(cell.high, fine)}` : ''}
      {#if mark}<b class="flax">{mark}</b>{/if}
    </span>
    <span class="line" aria-hidden="true">
      <i class="bar" style:width="{at(cell.typical)}%"></i>
      {#if cell.high > cell.low}<i
          class="whisker"
          style:left="{at(cell.low)}%"
          style:width="{at(cell.high) - at(cell.low)}%"
        ></i>{/if}
    </span>
  </span>
{:else}
  <span class="soft">unknown</span>
{/if}

<style>
  .cell {
    display: grid;
    grid-template-columns: 3.6rem minmax(0, 1fr);
    align-items: baseline;
    gap: 0 0.5rem;
  }

  .flax {
    color: var(--flax);
  }

  .line {
    position: relative;
    grid-column: 1 / -1;
    height: 9px;
    background: linear-gradient(var(--hairline), var(--hairline)) 0 50% / 100% 1px no-repeat;
  }

  i {
    position: absolute;
    left: 0;
  }

  .bar {
    top: 2px;
    height: 5px;
    background: var(--mesh);
  }

  .whisker {
    top: 0;
    height: 9px;
    border: solid var(--ink);
    border-width: 0 1.5px;
    background: linear-gradient(var(--ink), var(--ink)) 0 50% / 100% 1.5px no-repeat;
  }
</style>
