<!-- One measure over the last bakes: its own scale, its band, a mark with a whisker, and what was planned. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../../api/client';
  import Mark from '../../bands/Mark.svelte';
  import { figure } from '../../ui/format';

  interface Props {
    row: Schemas['MeasureOverTrials'];
    x: (n: number) => number;
    width: number;
    label: number;
  }
  const { row, x, width, label }: Props = $props();
  const HEIGHT = 64;
  const unit = $derived(/^[−0-9]/.test(row.unit) ? '' : row.unit);
  const Z = 1.96;
  const values = $derived(
    row.points.flatMap((p) =>
      p.value === null ? [] : [p.value - Z * (p.sd ?? 0), p.value + Z * (p.sd ?? 0), p.planned ?? p.value]
    )
  );
  const reach = $derived([Math.min(...values), Math.max(...values)]);
  const pad = $derived((reach[1]! - reach[0]!) * 0.12 || Math.abs(reach[0]!) * 0.05 || 1);
  const y = $derived(
    scaleLinear()
      .domain([reach[0]! - pad, reach[1]! + pad])
      .range([HEIGHT - 6, 6])
  );
  const whole = $derived(row.points.every((p) => p.value === null || Number.isInteger(p.value)));
  const decimals = $derived(whole || Math.abs(reach[1]!) >= 20 ? 0 : Math.abs(reach[1]!) >= 5 ? 1 : 2);
  const clip = (v: number): number => Math.max(0, Math.min(HEIGHT, y(v)));
  function status(value: number): 'pass' | 'close' | 'held' | 'unknown' {
    const b = row.band;
    if (!b) return 'pass';
    if (value >= b.good_low && value <= b.good_high) return 'pass';
    return value >= b.hard_low && value <= b.hard_high ? 'close' : 'held';
  }
</script>

<div class="row" data-row={row.measure}>
  <div class="name" style="width: {label - 12}px">
    <b>{row.label}</b><span class="small soft">{unit}</span>
  </div>
  <svg
    {width}
    height={HEIGHT}
    role="img"
    aria-label="{row.label}: {row.points.map((p) => figure(p.value, decimals)).join(', ')}"
  >
    {#if row.band}
      <rect
        class="good"
        x={label}
        width={width - label}
        y={clip(row.band.good_high)}
        height={Math.max(0, clip(row.band.good_low) - clip(row.band.good_high))}
      />
    {/if}
    {#each row.points as p, n (n)}
      {#if p.value !== null}
        {#if p.planned !== null}<path class="plan" d="M{x(n) - 11} {y(p.planned)}h22" />{/if}
        {#if p.sd}<path class="whisker" d="M{x(n)} {y(p.value - Z * p.sd)}V{y(p.value + Z * p.sd)}" />{/if}
        <Mark status={status(p.value)} x={x(n)} y={y(p.value)} />
        <text x={x(n) + 12} y={y(p.value) + 4}>{figure(p.value, decimals)}</text>
      {/if}
    {/each}
  </svg>
</div>

<style>
  .row {
    position: relative;
    border-top: 1px solid var(--hairline);
  }

  .name {
    position: absolute;
    top: 0.5rem;
    display: flex;
    flex-direction: column;
    line-height: 1.2;
  }

  svg {
    display: block;
    overflow: hidden;
  }

  .good {
    fill: var(--passes-wash);
  }

  .plan {
    stroke: var(--soft);
    stroke-width: 1.5;
    stroke-dasharray: 3 2;
  }

  .whisker {
    stroke: var(--ink);
    stroke-width: 1.4;
  }

  text {
    fill: var(--soft);
    font-family: 'Atkinson Hyperlegible Mono', monospace;
    font-size: 0.75rem;
  }
</style>
