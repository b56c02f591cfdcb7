<!-- The shelf's rows: only those in sight are there, so that thousands scroll as smoothly as ten. -->
<script lang="ts">
  import { flushSync } from 'svelte';
  import { push } from 'svelte-spa-router';
  import ShelfHead from './ShelfHead.svelte';
  import ShelfLine from './ShelfLine.svelte';
  import type { ShelfList } from './shelf.svelte';
  import { tray } from './tray.svelte';
  import { span } from '../../ui/window';

  interface Props {
    list: ShelfList;
    /** The cell under the pointer or the focus; column −1 is the name. */
    onread: (at: { row: number; column: number } | null) => void;
  }
  const { list, onread }: Props = $props();
  const ROW = matchMedia('(pointer: coarse)').matches ? 48 : 38;
  let height = $state(600);
  let scroll = $state(0);
  let at = $state({ row: 0, column: 0 });
  let frame = $state<HTMLElement>();
  const seen = $derived(span(scroll, height - ROW, ROW, list.total));
  const rows = $derived(Array.from({ length: seen.last - seen.first }, (_, n) => seen.first + n));
  // Where the focus was may have scrolled away; Tab then finds the first row in sight.
  const reachable = $derived(at.row >= seen.first && at.row < seen.last ? at.row : (rows[0] ?? 0));

  $effect(() => void list.look(seen.first, seen.last));

  function go(row: number, column: number): void {
    at = {
      row: Math.min(Math.max(0, row), list.total - 1),
      column: Math.min(Math.max(0, column), list.columns.length)
    };
    if (!frame) return;
    const top = at.row * ROW;
    if (top < frame.scrollTop) frame.scrollTop = top;
    else if (top + 2 * ROW > frame.scrollTop + frame.clientHeight)
      frame.scrollTop = top + 2 * ROW - frame.clientHeight;
    // At once, so that a quick next key finds it there; a row that has to be scrolled to is drawn a frame later.
    flushSync();
    focusReached();
    requestAnimationFrame(focusReached);
  }

  function focusReached(): void {
    frame?.querySelector<HTMLElement>('[data-at][tabindex="0"]')?.focus();
  }

  function key(event: KeyboardEvent): void {
    const page = Math.max(1, Math.floor(height / ROW) - 2);
    const moves: Record<string, [number, number]> = {
      ArrowDown: [1, 0],
      ArrowUp: [-1, 0],
      ArrowRight: [0, 1],
      ArrowLeft: [0, -1],
      PageDown: [page, 0],
      PageUp: [-page, 0],
      Home: [0, -99],
      End: [0, 99]
    };
    if (!(event.target as HTMLElement).dataset.at) return;
    const move = moves[event.key];
    const row = list.row(at.row)?.row;
    if (move) go(at.row + move[0], at.column + move[1]);
    else if (event.key === 'Enter' && row) void push(`/ingredients/${row.slug}`);
    else if (event.key === ' ' && row) tray.toggle(row.slug, row.name);
    else return;
    event.preventDefault();
  }

  /** Puts the focus on the first row, coming down from the search field. */
  export function enter(): void {
    go(0, 0);
  }
</script>

<div
  class="frame"
  role="presentation"
  bind:this={frame}
  bind:clientHeight={height}
  onscroll={(e) => (scroll = e.currentTarget.scrollTop)}
  onpointerleave={() => onread(null)}
>
  <table role="grid" tabindex="-1" aria-label="Ingredients" aria-rowcount={list.total + 1} onkeydown={key}>
    <ShelfHead {list} height={ROW} />
    <tbody>
      {#if seen.above_px}<tr aria-hidden="true" style:height="{seen.above_px}px"></tr>{/if}
      {#each rows as n (list.row(n)?.row.slug ?? n)}
        {@const found = list.row(n)}
        <tr
          style:height="{ROW}px"
          aria-rowindex={n + 2}
          data-row={found?.row.slug}
          class:on={found && tray.has(found.row.slug)}
        >
          {#if found}
            <ShelfLine
              {list}
              row={found.row}
              notes={found.notes}
              reach={reachable === n ? (at.row === n ? at.column : 0) : null}
              onat={(column, focused) => {
                if (focused) at = { row: n, column };
                onread({ row: n, column: column - 1 });
              }}
            />
          {:else}
            <td></td>
            <td class="soft" colspan={list.columns.length + 1}>…</td>
          {/if}
        </tr>
      {/each}
      {#if seen.below_px}<tr aria-hidden="true" style:height="{seen.below_px}px"></tr>{/if}
    </tbody>
  </table>
</div>

<style>
  .frame {
    flex: 1;
    min-height: 0;
    overflow: auto;
    border-top: 2px solid var(--ink);
  }

  table {
    width: 100%;
    border-collapse: separate;
    border-spacing: 0;
  }

  tbody tr:hover {
    background: var(--sheet);
  }

  tr.on {
    background: var(--flax-wash);
  }
</style>
