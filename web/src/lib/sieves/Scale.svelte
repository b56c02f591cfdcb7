<!-- A sieve's line: mesh where a blend would be held, the open part is the good band, walls are hard limits. -->
<script lang="ts">
  import type { BandResult } from '../api/client';
  import { figure } from '../format';
  import { kitchen } from '../kitchen.svelte';
  import Mark from './Mark.svelte';
  import { reachOf, sieveScale } from './scale';

  interface Props {
    result: BandResult;
    /** Another blend at the same sieve, drawn as an open mark. */
    other?: BandResult | null;
  }
  const { result, other = null }: Props = $props();
  let width = $state(260);
  const HEIGHT = 40;
  const MIDDLE = 14;
  const metric = $derived(kitchen.metric(result.band.metric));
  const e = $derived(result.estimate);
  // Plain numbers, so that while a hand drags only the marks are drawn anew: the band rarely changes.
  const hard_low = $derived(result.band.hard_low);
  const good_low = $derived(result.band.good_low);
  const good_high = $derived(result.band.good_high);
  const hard_high = $derived(result.band.hard_high);
  const marks = $derived([e.typical, e.low, e.high, other?.estimate.typical]);
  const from = $derived(reachOf(result.band, metric, marks).from);
  const to = $derived(reachOf(result.band, metric, marks).to);
  const s = $derived(sieveScale({ hard_low, good_low, good_high, hard_high }, metric, from, to, width));
  const goodLow = $derived(s.x(good_low));
  const goodHigh = $derived(s.x(good_high));
  const ends = $derived(
    [...new Set([good_low, good_high])].filter((v) => v > metric.lowest && v < (metric.highest ?? Infinity))
  );
  const plain = (v: number): string => figure(v, Number.isInteger(v) ? 0 : Number.isInteger(v * 10) ? 1 : 2);
</script>

<div class="line" bind:clientWidth={width}>
  <svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" aria-hidden="true">
    {#if goodLow > 1}<rect x="1" y={MIDDLE - 11} width={goodLow - 1} height="22" fill="url(#mesh)" />{/if}
    {#if goodHigh < width - 1}
      <rect x={goodHigh} y={MIDDLE - 11} width={width - 1 - goodHigh} height="22" fill="url(#mesh)" />
    {/if}
    <rect class="open" x={goodLow} y={MIDDLE - 11} width={Math.max(1, goodHigh - goodLow)} height="22" />
    {#if s.wallLow}<rect class="wall" x={s.x(s.low) - 1.5} y={MIDDLE - 13} width="3" height="26" />{/if}
    {#if s.wallHigh}<rect class="wall" x={s.x(s.high) - 1.5} y={MIDDLE - 13} width="3" height="26" />{/if}
    {#each ends as end (end)}
      <text x={s.x(end)} y={HEIGHT - 4}>{plain(end)}</text>
    {/each}
    {#if other?.estimate.typical != null}
      <circle class="other" cx={s.x(other.estimate.typical)} cy={MIDDLE} r="6" />
    {/if}
    {#if e.typical !== null && result.status !== 'unknown'}
      <g class="whisker {result.status}">
        {#if e.low !== null && e.high !== null && e.high > e.low}
          <path
            d="M{s.x(e.low)} {MIDDLE}H{s.x(e.high)}M{s.x(e.low)} {MIDDLE - 5}v10M{s.x(e.high)} {MIDDLE -
              5}v10"
          />
        {/if}
      </g>
      <Mark status={result.status} x={s.x(e.typical)} y={MIDDLE} />
    {/if}
  </svg>
</div>

<style>
  .line {
    min-width: 0;
    height: 40px;
  }

  svg {
    display: block;
    overflow: visible;
  }

  .open {
    fill: var(--passes-wash);
  }

  .wall {
    fill: var(--ink);
    opacity: 0.75;
  }

  text {
    fill: var(--soft);
    font-family: 'Atkinson Hyperlegible Mono', monospace;
    font-size: 0.75rem;
    text-anchor: middle;
  }

  .whisker path {
    fill: none;
    stroke: currentcolor;
    stroke-width: 1.8;
  }

  .whisker.pass {
    color: var(--passes);
  }

  .whisker.close {
    color: var(--close);
  }

  .whisker.held {
    color: var(--held);
  }

  .other {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.8;
  }
</style>
