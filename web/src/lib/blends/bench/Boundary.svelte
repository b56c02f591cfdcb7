<!-- A boundary between two layers: a slider that moves mass from one to the other. -->
<script lang="ts">
  import type { Bench } from './bench.svelte';
  import { stepFor } from '../../ui/cell/steps';
  import { moveAcross, sidesOf } from './moves';
  import { mass } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';

  interface Props {
    bench: Bench;
    at: number;
    y: number;
    width: number;
    height: number;
  }
  const { bench, at, y, width, height }: Props = $props();
  const sides = $derived(sidesOf(bench.parts, bench.order, at));
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const step = $derived(stepFor(bench.mass_g));
  let dragging = $state(false);
  let before: readonly import('../../api/client').Part[] = [];
  let fromY = 0;
  let order: readonly string[] = [];

  function start(event: PointerEvent): void {
    if (event.button !== 0 || !sides) return;
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    dragging = true;
    before = bench.parts;
    order = bench.order;
    fromY = event.clientY;
    bench.selected = sides.below.ingredient;
  }

  function move(event: PointerEvent): void {
    if (!dragging) return;
    const raw = ((fromY - event.clientY) / height) * bench.mass_g;
    bench.previewParts(moveAcross(before, order, at, Math.round(raw / step) * step));
  }

  const reach = matchMedia('(pointer: coarse)').matches ? 20 : 9; // px that a finger, or a pointer, may be off

  function end(): void {
    if (!dragging) return;
    dragging = false;
    bench.setParts(bench.parts, before);
  }

  function giveUp(): void {
    if (!dragging) return;
    dragging = false;
    bench.previewParts(before);
  }

  const STEPS: Record<string, number> = {
    ArrowUp: 1,
    ArrowRight: 1,
    ArrowDown: -1,
    ArrowLeft: -1,
    PageUp: 10,
    PageDown: -10
  };

  function key(event: KeyboardEvent): void {
    if (event.key === 'Escape' && dragging) giveUp();
    const steps = STEPS[event.key];
    if (!steps) return;
    event.preventDefault();
    bench.moveBoundary(at, steps * step * (event.shiftKey ? 10 : 1));
  }
</script>

<svelte:window onkeydown={dragging ? key : undefined} />

{#if sides}
  <g
    class="boundary"
    class:dragging
    role="slider"
    tabindex="0"
    aria-orientation="vertical"
    aria-label="Boundary of {bench.nameOf(sides.below.ingredient)} and {bench.nameOf(sides.above.ingredient)}"
    aria-valuemin={0}
    aria-valuemax={Math.round(sides.below.mass_g + sides.above.mass_g)}
    aria-valuenow={Math.round(sides.below.mass_g)}
    aria-valuetext="{mass(sides.below.mass_g, unit)} below, {mass(sides.above.mass_g, unit)} above"
    onpointerdown={start}
    onpointermove={move}
    onpointerup={end}
    onpointercancel={giveUp}
    onkeydown={key}
  >
    <rect class="grip" x="0" y={y - reach} {width} height={2 * reach} />
    <line x1="0" x2={width} y1={y} y2={y} />
    <circle cx={width} cy={y} r="7.5" />
    <path d="M{width - 3} {y - 1.5}l3 -3l3 3M{width - 3} {y + 1.5}l3 3l3 -3" />
  </g>
{/if}

<style>
  .boundary {
    cursor: ns-resize;
    touch-action: none;
    outline: none;
  }

  .grip {
    fill: transparent;
  }

  line {
    stroke: transparent;
    stroke-width: 3;
  }

  circle {
    fill: var(--sheet);
    stroke: var(--flax);
    stroke-width: 1.5;
    opacity: 0;
  }

  path {
    fill: none;
    stroke: var(--flax);
    stroke-width: 1.4;
    opacity: 0;
  }

  .boundary:hover circle,
  .boundary:hover path,
  .boundary:focus-visible circle,
  .boundary:focus-visible path,
  .dragging circle,
  .dragging path {
    opacity: 1;
  }

  .boundary:hover line,
  .boundary:focus-visible line,
  .dragging line {
    stroke: var(--flax);
  }

  .boundary:focus-visible circle {
    stroke-width: 3.5;
  }

  @media (pointer: coarse) {
    circle,
    path {
      opacity: 1;
    }
  }
</style>
