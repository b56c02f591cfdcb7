<!-- The rows of the parts, each hung beside its layer. -->
<script lang="ts">
  import type { Bench } from '../bench/bench.svelte';
  import PartRow from '../bench/PartRow.svelte';

  interface Props {
    bench: Bench;
    height: number;
    rows: readonly number[];
    gap: number;
    compact: boolean;
  }
  const { bench, height, rows, gap, compact }: Props = $props();
  const bySlug = $derived(new Map(bench.parts.map((p) => [p.ingredient, p])));
  // Top row first, as the eye and the arrow keys go.
  const placed = $derived(
    bench.order.map((slug, n) => ({ part: bySlug.get(slug), y: rows[n] ?? 0 })).reverse()
  );
</script>

<ul style:height="{height}px" aria-label="Parts of the blend, top of the column first">
  {#each placed as { part, y } (part?.ingredient)}
    {#if part}
      <li style:top="{y - gap / 2}px" style:height="{gap}px" data-row={part.ingredient}>
        <PartRow {bench} {part} {compact} />
      </li>
    {/if}
  {/each}
</ul>

<style>
  ul {
    position: relative;
    flex: 1;
    min-width: 0;
  }

  li {
    position: absolute;
    right: 0;
    left: 0;
  }
</style>
