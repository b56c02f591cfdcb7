<!-- The plan as threads through places: time runs right, a dough drops from place to place, with a knot where hands are wanted. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { later } from '../clock';
  import type { ScheduleBench } from '../schedule.svelte';
  import { sameStep, visited, type Step } from '../types';
  import Ground from './Ground.svelte';
  import Hands from './Hands.svelte';
  import Knot from './Knot.svelte';
  import { layoutOf, middleOf } from './lanes';
  import Thread from './Thread.svelte';
  import { visitsOf } from './visits';

  interface Props {
    bench: ScheduleBench;
    /** What is known of each place, by its lane: how warm it is. */
    facts: Record<string, string>;
    room_c: number;
    /** The instant that it is, ms. */
    now: number;
    onkey: (event: KeyboardEvent, step: Step) => void;
  }
  const { bench, facts, room_c, now, onkey }: Props = $props();

  const HEAD = 26;
  const HANDS = 60;
  const SNAP_MIN = 5;
  const NARROWEST = 660;
  let given = $state(1100);
  /** On a phone the drawing is wider than the page, and scrolls by itself. */
  const width = $derived(Math.max(given, NARROWEST));
  const left = $derived(width < 700 ? 78 : 118);
  const answer = $derived(bench.shown!);
  const layout = $derived(layoutOf(answer, facts));
  const ends = $derived.by(() => {
    const from = Math.min(...layout.pieces.map((p) => p.from));
    const to = Math.max(...layout.pieces.map((p) => p.until));
    const spare = (to - from) * 0.02 + 10 * 60_000;
    return [from - spare, to + spare] as const;
  });
  const x = $derived(
    scaleLinear()
      .domain(ends)
      .range([left, width - 8])
  );
  const top = HEAD + HANDS;
  const height = $derived(top + layout.height + 6);
  const products = $derived(bench.content.products.map((p) => p.id));
  const knots = $derived(visited(answer.steps));
  const place = (step: Step) => layout.pieces.find((p) => sameStep(p.step, step))!;
  const y = (step: Step) => top + middleOf(place(step), layout.lanes);

  let dragged = $state<{ step: Step; from: number; by: number } | null>(null);

  function drag(event: PointerEvent, step: Step): void {
    const target = event.currentTarget as SVGElement;
    target.setPointerCapture(event.pointerId);
    bench.choose(step);
    dragged = { step, from: event.clientX, by: 0 };
  }

  function moved(event: PointerEvent): void {
    if (!dragged) return;
    const ms = x.invert(event.clientX) - x.invert(dragged.from);
    dragged.by = Math.round(ms / 60_000 / SNAP_MIN) * SNAP_MIN;
  }

  function dropped(): void {
    if (dragged?.by) bench.pin(dragged.step, later(dragged.step.at, dragged.by));
    dragged = null;
  }

  /** The knot that the arrow leads to: the next in time, or the nearest of another thread. */
  function walk(event: KeyboardEvent, step: Step): void {
    const up = event.key === 'ArrowUp' || event.key === 'ArrowDown';
    if (!up || event.altKey) {
      onkey(event, step);
      return;
    }
    event.preventDefault();
    const at = knots.findIndex((k) => sameStep(k, step));
    const next = knots[(at + (event.key === 'ArrowDown' ? 1 : -1) + knots.length) % knots.length]!;
    bench.choose(next);
    document.getElementById(`knot-${next.product}-${next.step}`)?.focus();
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex -->
<div
  class="drawing"
  tabindex={given < width ? 0 : undefined}
  role="region"
  aria-label="The drawing of the plan"
  bind:clientWidth={given}
>
  <svg {width} {height} role="group" aria-label="The plan, as threads through places">
    <Ground
      {answer}
      lanes={layout.lanes}
      {x}
      {left}
      {top}
      {height}
      {width}
      {room_c}
      zone={bench.zone}
      head={HEAD}
      {now}
    />
    {#each products as product, n (product)}
      <Thread
        index={n}
        pieces={layout.pieces.filter((p) => p.step.product === product)}
        lanes={layout.lanes}
        {x}
        {top}
        {now}
        chosen={bench.chosen}
      />
    {/each}
    <Hands
      visits={visitsOf(answer.steps)}
      {x}
      y={HEAD}
      height={HANDS}
      {left}
      {width}
      zone={bench.zone}
      chosen={bench.step}
      to={y}
    />
    {#if now > ends[0] && now < ends[1]}
      <g class="now">
        <path d="M{x(now)} {HEAD}V{height}" />
        <text x={x(now)} y={HEAD - 8} text-anchor="middle">now</text>
      </g>
    {/if}
    {#each knots as step (step.product + step.step)}
      <Knot
        {step}
        cx={x(Date.parse(step.at)) +
          (dragged && sameStep(dragged.step, step) ? x(ends[0] + dragged.by * 60_000) - x(ends[0]) : 0)}
        cy={y(step)}
        zone={bench.zone}
        chosen={sameStep(bench.chosen, step)}
        pinned={bench.isPinned(step)}
        first={sameStep(step, knots[0]!)}
        anyChosen={bench.chosen !== null}
        onpick={() => bench.choose(step)}
        onpointerdown={(e) => drag(e, step)}
        onpointermove={moved}
        onpointerup={dropped}
        onkeydown={(e) => walk(e, step)}
      />
    {/each}
  </svg>
</div>

<style>
  .drawing {
    position: relative;
    width: 100%;
    overflow-x: auto;
  }

  svg {
    display: block;
    background: var(--sheet);
    user-select: none;
  }

  .now path {
    stroke: var(--ink);
    stroke-width: 1.5;
  }

  .now text {
    fill: var(--ink);
    font-size: 12px;
    font-weight: 600;
  }
</style>
