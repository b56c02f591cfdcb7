<!-- The column: layers base to top, draggable boundaries, a ghost beside it, hairlines, leader lines to the rows. -->
<script lang="ts">
  import Layers from '../column/Layers.svelte';
  import { layersOf, type ColumnPlan } from '../column/layout';
  import { kitchen } from '../../app/kitchen.svelte';
  import type { Bench } from './bench.svelte';
  import Boundary from './Boundary.svelte';

  interface Props {
    bench: Bench;
    height: number;
    /** The y of the row that belongs to each layer, base first. */
    rows: readonly number[];
    plan: ColumnPlan;
  }
  const { bench, height, rows, plan }: Props = $props();

  /** A line that leaves and arrives level. */
  function leader(x0: number, y0: number, x1: number, y1: number): string {
    const middle = (x0 + x1) / 2;
    return `M${x0} ${y0}C${middle} ${y0} ${middle} ${y1} ${x1} ${y1}`;
  }

  const pieces = $derived.by(() => {
    const bySlug = new Map(bench.parts.map((p) => [p.ingredient, p]));
    return bench.order.map((slug) => ({
      slug,
      share: bySlug.get(slug)?.mass_g ?? 0,
      role: bench.roleOf(slug)
    }));
  });
  const layers = $derived(layersOf(pieces, height));
  const ghostPieces = $derived(
    (bench.ghost?.layers ?? [])
      .map((p, n) => ({
        slug: p.ingredient,
        role: p.role,
        share: p.mix_pct,
        at: kitchen.roleOrder(p.role) * 1000 + n
      }))
      .sort((a, b) => a.at - b.at)
  );
  const ghost = $derived(layersOf(ghostPieces, height));
  const hairlines = $derived(
    layers.flatMap((layer) => {
      const was = ghost.find((g) => g.slug === layer.slug);
      return was ? [{ slug: layer.slug, y1: layer.y + layer.h / 2, y2: was.y + was.h / 2 }] : [];
    })
  );
  const from = $derived(bench.ghost ? plan.ghost_x + plan.ghost_width + 2 : plan.width + 10);
</script>

<svg
  width={plan.end}
  {height}
  viewBox="0 0 {plan.end} {height}"
  role="group"
  aria-label="Column of the blend, base to top"
>
  {#if !layers.length}
    <rect class="empty" x="0.75" y="0.75" width={plan.width} height={height - 1.5} />
  {:else}
    <Layers {pieces} {height} width={plan.width} selected={bench.selected} />
  {/if}
  {#if bench.ghost}
    <g opacity="0.45" transform="translate({plan.ghost_x} 0)">
      <Layers pieces={ghostPieces} {height} width={plan.ghost_width} />
    </g>
    {#each ghost as layer (layer.slug)}
      <line
        class="ghost-edge"
        x1={plan.ghost_x}
        x2={plan.ghost_x + plan.ghost_width}
        y1={layer.y}
        y2={layer.y}
      />
    {/each}
    <rect class="ghost" x={plan.ghost_x} y="0.75" width={plan.ghost_width} height={height - 1.5} />
    {#each hairlines as line (line.slug)}
      <line class="hair" x1={plan.width} y1={line.y1} x2={plan.ghost_x} y2={line.y2} />
    {/each}
  {/if}
  {#each layers as layer, n (layer.slug)}
    {@const y = layer.y + layer.h / 2}
    <path
      class="leader"
      class:on={layer.slug === bench.selected}
      d={leader(from, y, plan.end, rows[n] ?? y)}
    />
  {/each}
  {#each layers.slice(0, -1) as layer, n (layer.slug)}
    <Boundary {bench} at={n} y={layer.y} width={plan.width} {height} />
  {/each}
</svg>

<style>
  svg {
    flex: none;
    overflow: visible;
  }

  .ghost {
    fill: none;
    stroke: var(--soft);
    stroke-dasharray: 2 3;
  }

  .ghost-edge {
    stroke: var(--soft);
    stroke-dasharray: 2 3;
  }

  .hair {
    stroke: var(--line);
    stroke-width: 0.8;
  }

  .leader {
    fill: none;
    stroke: var(--hairline);
    stroke-width: 1;
  }

  .leader.on {
    stroke: var(--flax);
  }

  .empty {
    fill: none;
    stroke: var(--line);
    stroke-dasharray: 6 5;
  }
</style>
