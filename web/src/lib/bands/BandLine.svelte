<!-- A band's line: mesh where a value would be held, the open part is the good band, walls are hard limits. -->
<script lang="ts">
  import { figure } from '../ui/format';
  import { axisOf, reachOf, type Limits, type Possible } from './axis';
  import Mark from './Mark.svelte';
  import type { Status } from './words';

  interface Props {
    band: Limits;
    status: Status;
    value: number | null;
    /** The range of the value, drawn as a whisker. */
    low?: number | null;
    high?: number | null;
    possible?: Possible;
    /** The same value of another, drawn as an open mark. */
    other?: number | null;
    /** Where others lie that are known to work, each with a name for whoever points at it. */
    ticks?: readonly { at: number; says: string }[];
    /** Sides beyond which nothing is known to fail: their wall is broken, for it holds nothing. */
    holds_low?: boolean;
    holds_high?: boolean;
  }
  const {
    band,
    status,
    value,
    low = null,
    high = null,
    possible = { lowest: 0, highest: null },
    other = null,
    ticks = [],
    holds_low = true,
    holds_high = true
  }: Props = $props();
  let width = $state(260);
  const HEIGHT = 40;
  const MIDDLE = 14;
  const CHARACTER = 7.5; // px of a digit of the small labels
  // Plain numbers, so that while a hand drags only the marks are drawn anew: the band rarely changes.
  const hard_low = $derived(band.hard_low);
  const good_low = $derived(band.good_low);
  const good_high = $derived(band.good_high);
  const hard_high = $derived(band.hard_high);
  const from = $derived(reachOf(band, possible, [value, low, high, other]).from);
  const to = $derived(reachOf(band, possible, [value, low, high, other]).to);
  const axis = $derived(axisOf({ hard_low, good_low, good_high, hard_high }, possible, from, to, width));
  const goodLow = $derived(axis.x(good_low));
  const goodHigh = $derived(axis.x(good_high));
  const ends = $derived(
    [...new Set([good_low, good_high])].filter(
      (v) => v > possible.lowest && v < (possible.highest ?? Infinity)
    )
  );
  /** The ends of the good band; one label where two would run into one another. */
  const labels = $derived.by(() => {
    const at = ends.map((v) => ({ x: axis.x(v), say: plain(v) }));
    const [a, b] = at;
    const meet = a && b && b.x - a.x < CHARACTER * (a.say.length + b.say.length) * 0.6;
    return meet ? [{ x: (a.x + b.x) / 2, say: `${a.say}–${b.say}` }] : at;
  });
  const plain = (v: number): string =>
    figure(v, v >= 100 || Number.isInteger(v) ? 0 : v >= 20 || Number.isInteger(v * 10) ? 1 : 2);
</script>

<div class="line" bind:clientWidth={width}>
  <svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" aria-hidden="true">
    {#if goodLow > 1}<rect x="1" y={MIDDLE - 11} width={goodLow - 1} height="22" fill="url(#mesh)" />{/if}
    {#if goodHigh < width - 1}
      <rect x={goodHigh} y={MIDDLE - 11} width={width - 1 - goodHigh} height="22" fill="url(#mesh)" />
    {/if}
    <rect class="open" x={goodLow} y={MIDDLE - 11} width={Math.max(1, goodHigh - goodLow)} height="22" />
    {#if axis.wallLow}<rect
        class="wall {holds_low ? '' : 'broken'}"
        x={axis.x(axis.low) - 1.5}
        y={MIDDLE - 13}
        width="3"
        height="26"
      />{/if}
    {#if axis.wallHigh}<rect
        class="wall {holds_high ? '' : 'broken'}"
        x={axis.x(axis.high) - 1.5}
        y={MIDDLE - 13}
        width="3"
        height="26"
      />{/if}
    {#each ticks as tick, n (n)}
      <g class="tick">
        <title>{tick.says}</title>
        <rect class="reach" x={axis.x(tick.at) - 3} y={MIDDLE + 3} width="6" height="12" />
        <path d="M{axis.x(tick.at)} {MIDDLE + 6}v7" />
      </g>
    {/each}
    {#each labels as label, n (n)}
      <text x={label.x} y={HEIGHT - 4}>{label.say}</text>
    {/each}
    {#if other !== null}<circle class="other" cx={axis.x(other)} cy={MIDDLE} r="6" />{/if}
    {#if value !== null && status !== 'unknown'}
      <g class="whisker {status}">
        {#if low !== null && high !== null && high > low}
          <path
            d="M{axis.x(low)} {MIDDLE}H{axis.x(high)}M{axis.x(low)} {MIDDLE - 5}v10M{axis.x(high)} {MIDDLE -
              5}v10"
          />
        {/if}
      </g>
      <Mark {status} x={axis.x(value)} y={MIDDLE} />
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

  .tick path {
    stroke: var(--ink);
    stroke-width: 1.2;
    opacity: 0.55;
  }

  .tick .reach {
    fill: transparent;
  }

  .tick:hover path {
    stroke-width: 2.4;
    opacity: 1;
  }

  .wall.broken {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1;
    stroke-dasharray: 3 3;
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
