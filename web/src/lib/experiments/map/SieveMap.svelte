<!-- The sieve map: a triangle on the columns of its corners, mesh outside the limits, height as five steps of one ink. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import { inOrder, type Experiment } from '../types';
  import Corners from './Corners.svelte';
  import Loaves from './Loaves.svelte';
  import Surface from './Surface.svelte';
  import {
    HEIGHT,
    inside,
    pathOf,
    sharesAt,
    spotOf,
    stepped,
    TRIANGLE,
    weightsAt,
    weightsOf,
    WIDTH
  } from './geometry';

  interface Props {
    experiment: Experiment;
    x: readonly number[];
    move: (x: number[]) => void;
  }
  const { experiment: e, x, move }: Props = $props();
  const picture = $derived(e.picture!);
  const vertices = $derived(picture.vertices);
  const names = $derived(e.asked.parts.map((p) => p.name));
  const outline = $derived(picture.outline.map((p) => spotOf(p, vertices)));
  const middle = $derived({
    x: outline.reduce((s, p) => s + p.x, 0) / (outline.length || 1),
    y: outline.reduce((s, p) => s + p.y, 0) / (outline.length || 1)
  });
  const spot = $derived(spotOf(x, vertices));
  const best = $derived(e.map ? spotOf(inOrder(e.map.best.x, names), vertices) : null);
  const there = $derived([...e.runs.map((run) => spotOf(run.x, vertices)), ...(best ? [best] : [])]);
  let svg = $state<SVGSVGElement>();
  let dragging = false;

  function moveTo(event: PointerEvent): void {
    const box = svg!.getBoundingClientRect();
    const at = {
      x: ((event.clientX - box.left) / box.width) * WIDTH,
      y: ((event.clientY - box.top) / box.height) * HEIGHT
    };
    move(sharesAt(inside(weightsAt(at)), vertices));
  }

  function down(event: PointerEvent): void {
    dragging = true;
    svg!.setPointerCapture(event.pointerId);
    moveTo(event);
  }

  /** Arrows move the point a hundredth of flour, with Shift five. */
  function key(event: KeyboardEvent): void {
    if (!event.key.startsWith('Arrow')) return;
    event.preventDefault();
    const size = (event.shiftKey ? 5 : 1) / Math.max(1, e.total_pct);
    move(sharesAt(inside(weightsOf(stepped(x, event.key, size), vertices)), vertices));
  }

  function edgeLabel(edge: { a: readonly number[]; b: readonly number[] }): {
    x: number;
    y: number;
    turn: number;
  } {
    const [a, b] = [spotOf(edge.a, vertices), spotOf(edge.b, vertices)];
    const [mx, my] = [(a.x + b.x) / 2, (a.y + b.y) / 2];
    const far = Math.hypot(mx - middle.x, my - middle.y) || 1;
    let turn = (Math.atan2(b.y - a.y, b.x - a.x) * 180) / Math.PI;
    if (turn > 90) turn -= 180;
    if (turn < -90) turn += 180;
    return { x: mx + ((mx - middle.x) / far) * 11, y: my + ((my - middle.y) / far) * 11, turn };
  }

  const long = (edge: { a: readonly number[]; b: readonly number[] }): boolean => {
    const [a, b] = [spotOf(edge.a, vertices), spotOf(edge.b, vertices)];
    return Math.hypot(a.x - b.x, a.y - b.y) > 70;
  };
</script>

<div class="map">
  <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
  <svg
    bind:this={svg}
    viewBox="0 0 {WIDTH} {HEIGHT}"
    role="application"
    aria-label="Map of {names.join(', ')}. Arrows move the point one percent of flour, Shift five."
    tabindex="0"
    data-map
    onpointerdown={down}
    onpointermove={(event) => dragging && moveTo(event)}
    onpointerup={() => (dragging = false)}
    onkeydown={key}
  >
    <defs>
      <pattern id="map-mesh" width="11" height="11" patternUnits="userSpaceOnUse"
        ><path d="M0 0l11 11M0 11L11 0" class="mesh" /></pattern
      >
      <clipPath id="map-region"><path d={pathOf(outline)} /></clipPath>
    </defs>
    <path d={pathOf(TRIANGLE)} class="outside" fill="url(#map-mesh)" />
    <path d={pathOf(outline)} class="s0" />
    <Surface experiment={e} {outline} {middle} {there} />
    <path d={pathOf(outline)} class="edge" />
    {#each picture.edges.filter(long) as edge (edge.say)}
      {@const at = edgeLabel(edge)}
      <text
        x={at.x}
        y={at.y + 4}
        transform="rotate({at.turn} {at.x} {at.y})"
        class="wall"
        text-anchor="middle">{edge.say}</text
      >
    {/each}
    <Loaves experiment={e} />
    {#if best}
      <path
        class="star"
        d="M0-14l4 9 10 1-7.6 6.6 2.4 9.8L0 7l-8.8 5.4 2.4-9.8L-14-4l10-1z"
        transform="translate({best.x} {best.y})"
      />
      <text x={best.x} y={best.y - 20} class="figure best" text-anchor="middle"
        >best {figure(e.map?.best.mean ?? null, 1)}</text
      >
    {/if}
    <g transform="translate({spot.x} {spot.y})" class="point" data-point>
      <path d="M-15 0H-6M6 0H15M0-15V-6M0 6V15" /><circle r="6" />
    </g>
  </svg>
  <Corners experiment={e} />
</div>

<style>
  .map {
    position: relative;
    max-width: 44rem;
    padding: 0 1.5rem 2.4rem;
  }

  svg {
    display: block;
    width: 100%;
    touch-action: none;
    cursor: crosshair;
  }

  .mesh {
    fill: none;
    stroke: var(--mesh);
    stroke-width: 0.8;
  }

  .outside {
    stroke: var(--ink);
    stroke-width: 2.5;
  }

  .edge {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
  }

  .s0 {
    fill: var(--map-0, #e9efe9);
  }

  text {
    font-size: 13.5px;
    fill: #17231f;
    paint-order: stroke;
    stroke: #fbfcf9;
    stroke-width: 4.5px;
    stroke-linejoin: round;
  }

  .figure {
    font-variant-numeric: tabular-nums;
    font-size: 15px;
  }

  .best {
    font-weight: 600;
    font-size: 16px;
  }

  .wall {
    fill: var(--ink);
    stroke: var(--ground);
  }

  .star {
    fill: #fbfcf9;
    stroke: #17231f;
    stroke-width: 1.8;
  }

  .point path {
    stroke: var(--flax);
    stroke-width: 5;
  }

  .point circle {
    fill: #fbfcf9;
    stroke: var(--flax);
    stroke-width: 3.5;
  }
</style>
