<!-- One ingredient of the shelf. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import Figure from './Figure.svelte';
  import PriceCell from './PriceCell.svelte';
  import RoleChip from './RoleChip.svelte';
  import type { Column, ShelfList, ShelfRow } from './shelf.svelte';
  import { tray } from './tray.svelte';

  interface Props {
    list: ShelfList;
    row: ShelfRow;
    notes: readonly Schemas['NoteOut'][];
    /** The column that can be reached with Tab (0 is the name), or none in this row. */
    reach: number | null;
    /** The pointer or the focus is on a column; `focused` says which of the two. */
    onat: (column: number, focused: boolean) => void;
  }
  const { list, row, notes, reach, onat }: Props = $props();
  const PRICE = 'price_per_kg';
  const cells = $state<(HTMLElement | undefined)[]>([]);
  const priceCell = $derived(cells[list.columns.findIndex((c) => c.name === PRICE)]);

  function decimals(column: Column): number {
    return column.decimals + (column.on_basis && (list.basis?.mass_g ?? 30) < 50 ? 1 : 0);
  }

  const tags = $derived(
    [
      row.gluten === 'contains' && 'contains gluten',
      row.found_by && `“${row.found_by}”`,
      row.own && 'your own',
      ...row.allergens.map((a) => a.replaceAll('-', ' '))
    ]
      .filter(Boolean)
      .join(' · ')
  );
</script>

<td class="pick">
  <label>
    <input
      type="checkbox"
      tabindex="-1"
      aria-label="Lay out {row.name}"
      checked={tray.has(row.slug)}
      disabled={tray.full && !tray.has(row.slug)}
      onchange={() => tray.toggle(row.slug, row.name)}
    />
  </label>
</td>
<th scope="row" class="name" onpointerenter={() => onat(0, false)}>
  <a
    href="#/ingredients/{row.slug}"
    data-at="0"
    tabindex={reach === 0 ? 0 : -1}
    onfocus={() => onat(0, true)}
  >
    <RoleChip role={row.role} />
    <span class="words">
      <span class="title">{row.name}</span>
      {#if tags}<span class="tags small">{tags}</span>{/if}
    </span>
  </a>
</th>
{#each list.columns as column, c (column.name)}
  {@const cell = row.cells[c] ?? null}
  <td
    class="num"
    bind:this={cells[c]}
    data-at={c + 1}
    tabindex={reach === c + 1 ? 0 : -1}
    onfocus={() => onat(c + 1, true)}
    onpointerenter={() => onat(c + 1, false)}
  >
    {#snippet shown()}
      <Figure
        {cell}
        {column}
        scale={list.scales[c] ?? 0}
        quality={cell ? (notes[cell.note]?.quality ?? '') : ''}
        decimals={decimals(column)}
      />
    {/snippet}
    {#if column.name === PRICE}
      <PriceCell {list} slug={row.slug} name={row.name} cell={priceCell}>{@render shown()}</PriceCell>
    {:else}
      {@render shown()}
    {/if}
  </td>
{/each}

<style>
  td,
  th {
    position: relative;
    border-bottom: 1px solid var(--hairline);
    font-weight: 400;
  }

  .pick {
    min-width: 34px;
    padding: 0;
  }

  .pick label {
    display: grid;
    place-items: center;
    height: 100%;
  }

  .name {
    text-align: left;
  }

  a {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    color: var(--ink);
    text-decoration: none;
  }

  a:hover .title {
    color: var(--flax);
    text-decoration: underline;
  }

  .words {
    min-width: 0;
    line-height: 1.15;
  }

  .title,
  .tags {
    display: block;
    max-width: 19rem;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .tags {
    color: var(--soft);
  }

  td:focus-visible,
  a:focus-visible {
    outline-offset: -2px;
  }

  @media (max-width: 640px) {
    .title,
    .tags {
      max-width: 9rem;
    }
  }
</style>
