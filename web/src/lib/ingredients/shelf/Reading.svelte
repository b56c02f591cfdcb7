<!-- What the pointer or the focus is on, read out in full: the number, its range, and how it is known. -->
<script lang="ts">
  import { day, figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { bases } from './bases';
  import type { ShelfList } from './shelf.svelte';

  interface Props {
    list: ShelfList;
    at: { row: number; column: number } | null;
  }
  const { list, at }: Props = $props();
  const found = $derived(at ? list.row(at.row) : null);
  const column = $derived(at && at.column >= 0 ? list.columns[at.column] : undefined);
  const cell = $derived(found && at && at.column >= 0 ? (found.row.cells[at.column] ?? null) : null);
  const note = $derived(cell ? found?.notes[cell.note] : undefined);
  const places = $derived((column?.decimals ?? 0) + 1);
  const per = $derived(column?.on_basis && column.name !== 'basis_g' ? ` per ${amount()}` : '');

  function amount(): string {
    const named = bases(kitchen.settings).find((b) => b.name === list.basis?.kind);
    return named?.label ?? `${figure(list.basis?.mass_g, Number.isInteger(list.basis?.mass_g) ? 0 : 1)} g`;
  }

  const gluten = $derived.by(() => {
    if (!found) return '';
    if (found.row.gluten === 'contains') return 'contains gluten';
    if (found.row.gluten === 'unknown') return 'gluten unknown';
    return `gluten up to ${figure(found.row.gluten_mg_per_kg, 0)} mg/kg as declared or tested`;
  });
</script>

<p class="reading" aria-live="polite">
  {#if found && column}
    <strong>{found.row.name}</strong>, {column.label.toLowerCase()}:
    {#if cell}
      <b class="num">{figure(cell.typical, places)}</b>
      {column.unit}{per}{#if cell.high > cell.low}, 19 times in 20 from {figure(cell.low, places)} to {figure(
          cell.high,
          places
        )}{/if}.
      <span class="soft"
        >{note?.quality === 'by-difference' ? 'By difference' : note?.quality}{note?.source
          ? `: ${note.source}`
          : ''}{note?.noted_on ? `, ${day(note.noted_on)}` : ''}</span
      >
    {:else}unknown, which is not zero.{/if}
  {:else if found}
    <strong>{found.row.name}</strong>, {kitchen.roleLabel(found.row.role)}; {gluten}{found.row.watch.length
      ? `; to watch: ${found.row.watch.join(', ').replaceAll('-', ' ')}`
      : ''}.
  {:else}
    <span class="soft"
      >Point at a number, or walk with the arrow keys, to read its range and where it is from.
      <b class="flax">m</b> measured · <b class="flax">l</b> from a label · the bar is drawn to the column’s common
      scale, its line is the range.</span
    >
  {/if}
</p>

<style>
  .reading {
    min-height: 3.1rem;
    padding: 0.4rem 0.25rem;
    border-top: 1px solid var(--line);
  }

  .flax {
    color: var(--flax);
  }
</style>
