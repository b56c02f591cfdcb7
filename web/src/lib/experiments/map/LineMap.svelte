<!-- Two parts: a line from one to the other, the map above it with how surely, the bakes on it. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import { inOrder, type Experiment } from '../types';

  interface Props {
    experiment: Experiment;
    x: readonly number[];
    move: (x: number[]) => void;
  }
  const { experiment: e, x, move }: Props = $props();
  const W = 700;
  const H = 360;
  const LEFT = 46;
  const picture = $derived(e.picture!);
  const names = $derived(e.asked.parts.map((p) => p.name));
  const ends = $derived(picture.vertices);
  const lattice = $derived(picture.lattice);
  const values = $derived([
    ...(lattice?.mean.flatMap((m, n) => [
      m - 1.96 * (lattice.se[n] ?? 0),
      m + 1.96 * (lattice.se[n] ?? 0)
    ]) ?? [0, 9]),
    ...e.runs.flatMap((r) => (r.value === null ? [] : [r.value]))
  ]);
  const low = $derived(Math.floor(Math.min(...values)));
  const high = $derived(Math.ceil(Math.max(...values)));
  const at = (share: number): number =>
    LEFT + ((share - ends[0]![1]!) / (ends[1]![1]! - ends[0]![1]! || 1)) * (W - LEFT - 20);
  const up = (v: number): number => H - 40 - ((v - low) / (high - low || 1)) * (H - 70);
  const along = $derived(
    lattice?.mean.map((m, n) => {
      const share = ends[0]![1]! + (n / lattice.steps) * (ends[1]![1]! - ends[0]![1]!);
      return { px: at(share), m, se: lattice.se[n] ?? 0, may: (lattice.may_be[n] ?? 0) >= lattice.threshold };
    }) ?? []
  );
  const band = $derived(
    along.length
      ? `M${along.map((p) => `${p.px} ${up(p.m + 1.96 * p.se)}`).join('L')}L${[...along]
          .reverse()
          .map((p) => `${p.px} ${up(p.m - 1.96 * p.se)}`)
          .join('L')}Z`
      : ''
  );
  const may = $derived(along.filter((p) => p.may));
  const best = $derived(e.map ? inOrder(e.map.best.x, names) : null);
  let svg = $state<SVGSVGElement>();
  let dragging = false;

  function to(share: number): void {
    const cut = Math.min(
      Math.max(share, Math.min(ends[0]![1]!, ends[1]![1]!)),
      Math.max(ends[0]![1]!, ends[1]![1]!)
    );
    move([1 - cut, cut]);
  }

  function moveTo(event: PointerEvent): void {
    const box = svg!.getBoundingClientRect();
    const px = ((event.clientX - box.left) / box.width) * W;
    to(ends[0]![1]! + ((px - LEFT) / (W - LEFT - 20)) * (ends[1]![1]! - ends[0]![1]!));
  }

  function key(event: KeyboardEvent): void {
    const step = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (!step) return;
    event.preventDefault();
    to((x[1] ?? 0) + (step * (event.shiftKey ? 5 : 1)) / Math.max(1, e.total_pct));
  }
</script>

<!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
<svg
  bind:this={svg}
  viewBox="0 0 {W} {H}"
  role="application"
  aria-label="Map of {names.join(' and ')}. Arrows move the point one percent of flour, Shift five."
  tabindex="0"
  data-map
  onpointerdown={(event) => {
    dragging = true;
    svg!.setPointerCapture(event.pointerId);
    moveTo(event);
  }}
  onpointermove={(event) => dragging && moveTo(event)}
  onpointerup={() => (dragging = false)}
  onkeydown={key}
>
  {#each Array.from({ length: high - low + 1 }, (_, n) => low + n) as v (v)}
    <path d="M{LEFT} {up(v)}H{W - 20}" class="rule" /><text x={LEFT - 8} y={up(v) + 4} text-anchor="end"
      >{v}</text
    >
  {/each}
  <path d={band} class="band" />
  {#if along.length}<path d="M{along.map((p) => `${p.px} ${up(p.m)}`).join('L')}" class="mean" />{/if}
  {#if may.length}<path d="M{may[0]!.px} {H - 36}H{may.at(-1)!.px}" class="may" />{/if}
  {#each e.runs as run (run.number)}
    <g transform="translate({at(run.x[1] ?? 0)} {run.value === null ? H - 54 : up(run.value)})">
      {#if run.is_today}<circle r="18" class="today" />{/if}
      <circle r="13" class="loaf" class:waiting={run.value === null} />
      <text y="5" text-anchor="middle" class="number">{run.number}</text>
    </g>
  {/each}
  {#if best && e.map}
    <text x={at(best[1] ?? 0)} y={up(e.map.best.mean) - 24} text-anchor="middle" class="best"
      >best {figure(e.map.best.mean, 1)}</text
    >
  {/if}
  <g transform="translate({at(x[1] ?? 0)} 0)" data-point><path d="M0 14V{H - 40}" class="point" /></g>
  <text x={LEFT} y={H - 8}
    >most {names[0]?.toLowerCase()} {figure((ends[0]?.[0] ?? 0) * e.total_pct, 0)} %</text
  >
  <text x={W - 20} y={H - 8} text-anchor="end"
    >most {names[1]?.toLowerCase()} {figure((ends[1]?.[1] ?? 0) * e.total_pct, 0)} %</text
  >
</svg>
<p class="small soft">Band: 9 times in 10. Dotted: where the best may lie.</p>

<style>
  svg {
    display: block;
    width: 100%;
    touch-action: none;
    cursor: crosshair;
  }

  .rule {
    stroke: var(--hairline);
  }

  .band {
    fill: var(--passes-wash);
  }

  .mean {
    fill: none;
    stroke: var(--passes);
    stroke-width: 3;
  }

  .may {
    stroke: var(--ink);
    stroke-width: 3;
    stroke-dasharray: 0.1 6;
    stroke-linecap: round;
  }

  .loaf {
    fill: #a8bab0;
    stroke: #17231f;
    stroke-width: 1.6;
  }

  .waiting {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-dasharray: 3 2.5;
  }

  .today {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
  }

  .point {
    stroke: var(--flax);
    stroke-width: 3;
  }

  text {
    font-size: 13.5px;
    fill: var(--soft);
  }

  .number {
    fill: #17231f;
    font-size: 13px;
  }

  .best {
    fill: var(--ink);
    font-weight: 600;
    font-size: 16px;
  }
</style>
