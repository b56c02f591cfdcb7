<!-- The batch as its column: each part a layer, what is in drawn full, what is to come in outline; a split in two. -->
<script lang="ts">
  import { kitchen } from '../../app/kitchen.svelte';
  import { grams, type Batch, type Part } from '../types';
  import { layersOf } from './layers';

  interface Props {
    batch: Batch;
    now?: string;
    height?: number;
    choose?: (ingredient: string) => void;
  }
  const { batch, now = '', height = 300, choose }: Props = $props();
  const WIDTH = 64;
  const X = 150;
  const rows = $derived(
    layersOf(
      [...batch.parts].sort((a, b) => kitchen.roleOrder(a.role) - kitchen.roleOrder(b.role)),
      height
    )
  );
  const said = (p: Part): string =>
    p.poured_g > 0 && p.stands !== 'passes'
      ? `${grams(p.poured_g)} of ${grams(p.target_g)} g`
      : `${grams(p.poured_g || p.target_g)} g`;
</script>

<svg
  viewBox="0 -8 {X + WIDTH + 6} {height + 16}"
  style:max-width="{X + WIDTH + 6}px"
  role="img"
  aria-label="{batch.name}: {batch.parts.map((p) => `${p.name} ${said(p)}`).join(', ')}"
>
  {#each rows as r (r.part.ingredient)}
    {@const p = r.part}
    <g class:now={p.ingredient === now}>
      <rect class="open" x={X} y={r.y} width={WIDTH} height={r.h} />
      {#each r.pieces as piece, n (n)}
        <rect
          x={X}
          y={piece.y}
          width={WIDTH}
          height={piece.h}
          style:fill="var(--role-{p.role})"
          fill-opacity={n % 2 ? 0.6 : 1}
        />
        <rect x={X} y={piece.y} width={WIDTH} height={piece.h} fill="url(#hatch-{p.role})" />
      {/each}
      <rect class="edge" class:dashed={p.poured_g <= 0} x={X} y={r.y} width={WIDTH} height={r.h} />
      <path d="M{X - 12} {r.label - 3}L{X - 1} {r.y + r.h / 2}" class="lead" />
      <text x={X - 16} y={r.label - 1} class="name">{p.name}</text>
      <text x={X - 16} y={r.label + 12} class="mass">{said(p)}</text>
      {#if choose}
        <!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
        <rect
          class="tap"
          x="0"
          y={r.label - 14}
          width={X + WIDTH}
          height="30"
          onclick={() => choose(p.ingredient)}
        />
      {/if}
    </g>
  {/each}
</svg>

<style>
  svg {
    display: block;
    width: 100%;
    overflow: visible;
  }

  .open {
    fill: var(--sheet);
  }

  .edge {
    fill: none;
    stroke: var(--tube);
    stroke-width: 1.2;
  }

  .edge.dashed {
    stroke-dasharray: 3 3;
    stroke: var(--line);
  }

  .now .edge {
    stroke: var(--flax);
    stroke-width: 2.5;
    stroke-dasharray: none;
  }

  .lead {
    stroke: var(--line);
    fill: none;
  }

  text {
    fill: var(--ink);
    font-size: 13px;
    text-anchor: end;
  }

  .mass {
    fill: var(--soft);
    font-size: 12px;
  }

  .now text {
    fill: var(--flax);
    font-weight: 600;
  }

  .tap {
    fill: transparent;
    cursor: pointer;
  }
</style>
