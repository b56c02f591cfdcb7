<!-- The layers of one column, inside an svg: role colour, a shade for each ingredient of a role, hatching. -->
<script lang="ts">
  import { layersOf, type Piece } from './layout';

  export interface RolePiece extends Piece {
    role: string;
  }
  interface Props {
    pieces: readonly RolePiece[];
    height: number;
    width: number;
    x?: number;
    selected?: string | null;
  }
  const { pieces, height, width, x = 0, selected = null }: Props = $props();
  const layers = $derived(layersOf(pieces, height));
  const shades = $derived.by(() => {
    const seen = new Map<string, number>();
    return pieces.map(({ role }) => {
      const n = seen.get(role) ?? 0;
      seen.set(role, n + 1);
      return Math.min(n, 4) * 11;
    });
  });

  /** The colour of a role, darker by so many percent for each further ingredient of that role. */
  function shadeOf(role: string, percent: number): string {
    return `color-mix(in srgb, var(--role-ink) ${percent}%, var(--role-${role}))`;
  }
</script>

{#each layers as layer, n (layer.slug)}
  {@const role = pieces[n]?.role ?? 'other'}
  <rect {x} y={layer.y} {width} height={layer.h} style:fill={shadeOf(role, shades[n] ?? 0)} />
  <rect class="edge" {x} y={layer.y} {width} height={layer.h} fill="url(#hatch-{role})" />
{/each}
{#each layers.filter((l) => l.slug === selected) as layer (layer.slug)}
  <rect class="chosen" x={x + 1.5} y={layer.y + 1.5} width={width - 3} height={Math.max(0, layer.h - 3)} />
{/each}
<rect class="tube" {x} y="0" {width} {height} />

<style>
  .edge {
    stroke: var(--role-ink);
    stroke-width: 1;
  }

  .tube {
    fill: none;
    stroke: var(--tube);
    stroke-width: 1.5;
  }

  .chosen {
    fill: none;
    stroke: var(--role-ink);
    stroke-width: 2;
    stroke-dasharray: 5 3;
  }
</style>
