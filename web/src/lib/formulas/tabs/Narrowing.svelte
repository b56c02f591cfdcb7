<!-- How the window of wanted water narrowed, bake by bake; each bake's own water as a dot. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../../api/client';
  import { day, figure } from '../../ui/format';

  const { steps }: { steps: readonly Schemas['LearningStep'][] } = $props();
  const HEIGHT = 150;
  const LEFT = 34;
  let width = $state(280);
  const x = $derived(
    scaleLinear()
      .domain([0, Math.max(1, steps.length - 1)])
      .range([LEFT, width - 10])
  );
  const low = $derived(Math.min(...steps.map((s) => Math.min(s.low_pct, s.actual_pct ?? s.low_pct))));
  const high = $derived(Math.max(...steps.map((s) => Math.max(s.high_pct, s.actual_pct ?? s.high_pct))));
  const y = $derived(
    scaleLinear()
      .domain([low - 2, high + 2])
      .range([HEIGHT - 24, 8])
  );
  const area = $derived(
    `M${steps.map((s, n) => `${x(n)} ${y(s.high_pct)}`).join('L')}L${[...steps]
      .reverse()
      .map((s, n) => `${x(steps.length - 1 - n)} ${y(s.low_pct)}`)
      .join('L')}Z`
  );
  const middle = $derived(`M${steps.map((s, n) => `${x(n)} ${y(s.typical_pct)}`).join('L')}`);
  const last = $derived(steps.at(-1)!);
  const first = $derived(steps[0]!);
</script>

<figure bind:clientWidth={width}>
  <svg
    {width}
    height={HEIGHT}
    role="img"
    aria-label="The window narrowed from {figure(first.low_pct, 0)}–{figure(first.high_pct, 0)} to {figure(
      last.low_pct,
      0
    )}–{figure(last.high_pct, 0)} % of flour in {last.bakes} bakes"
  >
    <path class="window" d={area} />
    <path class="middle" d={middle} />
    {#each steps as s, n (n)}
      {#if s.actual_pct !== null}<circle cx={x(n)} cy={y(s.actual_pct)} r="4"
          ><title>{day(s.baked_on)}: {figure(s.actual_pct, 1)} %</title></circle
        >{/if}
      {#if n === 0 || n === steps.length - 1 || n % 3 === 0}<text class="mid" x={x(n)} y={HEIGHT - 6}
          >{n}</text
        >{/if}
    {/each}
    {#each y.ticks(4) as t (t)}<text class="end" x={LEFT - 6} y={y(t) + 4}>{t}</text>{/each}
  </svg>
  <figcaption class="small soft">
    Total water, % of flour, by number of bakes. The dots are what went in.
  </figcaption>
</figure>

<style>
  svg {
    display: block;
    overflow: visible;
  }

  .window {
    fill: var(--passes-wash);
    stroke: var(--passes);
    stroke-width: 1;
  }

  .middle {
    fill: none;
    stroke: var(--ink);
    stroke-dasharray: 4 3;
  }

  circle {
    fill: var(--flax);
    stroke: var(--sheet);
  }

  text {
    fill: var(--soft);
    font-family: 'Atkinson Hyperlegible Mono', monospace;
    font-size: 0.75rem;
  }

  .mid {
    text-anchor: middle;
  }

  .end {
    text-anchor: end;
  }
</style>
