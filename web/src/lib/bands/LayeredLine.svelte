<!-- The bands of several uses on one line: a stripe a use, mesh where it is shut, and where all are open at once. -->
<script lang="ts">
  import { figure, shortName } from '../ui/format';
  import { axisOf, reachOf, type Possible } from './axis';
  import { commonOf, spanOf, type Layer } from './layers';
  import Mark from './Mark.svelte';
  import type { Status } from './words';

  interface Props {
    layers: readonly Layer[];
    status: Status;
    value: number | null;
    low?: number | null;
    high?: number | null;
    possible?: Possible;
  }
  const {
    layers,
    status,
    value,
    low = null,
    high = null,
    possible = { lowest: 0, highest: null }
  }: Props = $props();
  let width = $state(260);
  const TOP = 3;
  const DEPTH = 24;
  const HEIGHT = 44;
  const CHARACTER = 6.6; // px of a letter of the small labels
  const each = $derived(DEPTH / layers.length);
  const span = $derived(spanOf(layers));
  const reach = $derived(reachOf(span, possible, [value, low, high]));
  const axis = $derived(axisOf(span, possible, reach.from, reach.to, width));
  const common = $derived(commonOf(layers));
  const middle = TOP + DEPTH / 2;
  const plain = (v: number): string =>
    figure(v, v >= 100 || Number.isInteger(v) ? 0 : v >= 20 || Number.isInteger(v * 10) ? 1 : 2);
  /** The ends of what is open to all, with whose they are; the names go where there is no room for them. */
  const labels = $derived.by(() => {
    if (!common) return [{ x: width / 2, say: 'nothing is open to all', anchor: 'middle' }];
    const named = (v: number, name: string): string => `${plain(v)} ${shortName(name).toLowerCase()}`;
    const ends = [
      { at: common.low, say: named(common.low, common.ofLow), anchor: 'end' },
      { at: common.high, say: named(common.high, common.ofHigh), anchor: 'start' }
    ].filter((e) => e.at > possible.lowest && e.at < (possible.highest ?? Infinity));
    return ends.map((e) => {
      const x = axis.x(e.at);
      const long = e.say.length * CHARACTER;
      const fits = e.anchor === 'end' ? x - long > 0 : x + long < width;
      return fits ? { ...e, x } : { ...e, x, anchor: e.anchor === 'end' ? 'start' : 'end' };
    });
  });
</script>

<div class="line" bind:clientWidth={width}>
  <svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" aria-hidden="true">
    <rect x="1" y={TOP} width={Math.max(0, width - 2)} height={DEPTH} fill="url(#mesh)" />
    {#each layers as layer, n (layer.use)}
      {@const from = axis.x(layer.band.good_low)}
      {@const to = axis.x(layer.band.good_high)}
      <rect class="own" x={from} y={TOP + n * each} width={Math.max(1, to - from)} height={each} />
      {#if layer.band.holds_low && layer.band.hard_low !== null && layer.band.hard_low > possible.lowest}
        <rect class="wall" x={axis.x(layer.band.hard_low) - 1} y={TOP + n * each} width="2" height={each} />
      {/if}
      {#if layer.band.holds_high && layer.band.hard_high !== null && layer.band.hard_high < (possible.highest ?? Infinity)}
        <rect class="wall" x={axis.x(layer.band.hard_high) - 1} y={TOP + n * each} width="2" height={each} />
      {/if}
    {/each}
    {#if common}
      {@const from = axis.x(common.low)}
      <rect class="open" x={from} y={TOP} width={Math.max(1.5, axis.x(common.high) - from)} height={DEPTH} />
    {/if}
    {#each labels as label, n (n)}
      <text x={label.x} y={HEIGHT - 4} text-anchor={label.anchor}>{label.say}</text>
    {/each}
    {#if value !== null && status !== 'unknown'}
      <g class="whisker {status}">
        {#if low !== null && high !== null && high > low}
          <path
            d="M{axis.x(low)} {middle}H{axis.x(high)}M{axis.x(low)} {middle - 5}v10M{axis.x(high)} {middle -
              5}v10"
          />
        {/if}
      </g>
      <Mark {status} x={axis.x(value)} y={middle} />
    {/if}
  </svg>
</div>

<style>
  .line {
    min-width: 0;
    height: 44px;
  }

  svg {
    display: block;
    overflow: visible;
  }

  .own {
    fill: var(--sheet);
  }

  .open {
    fill: var(--passes-wash);
    stroke: var(--passes);
    stroke-width: 1;
  }

  .wall {
    fill: var(--ink);
    opacity: 0.75;
  }

  text {
    fill: var(--soft);
    font-size: 0.75rem;
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
</style>
