<!-- What a formula is judged by, one line each as on a blend's sieves: name, band with a mark, value, word. -->
<script lang="ts">
  import { figure } from '../format';
  import Mark from '../sieves/Mark.svelte';
  import { sieveScale } from '../sieves/scale';
  import { STATUS_CLASS } from '../sieves/words';
  import type { Gauge } from './types';

  const { gauges, others = [] }: { gauges: readonly Gauge[]; others?: readonly Gauge[] } = $props();
  const HEIGHT = 40;
  const MIDDLE = 14;
  let width = $state(260);

  function drawn(g: Gauge, w: number) {
    if (g.good_low === null || g.good_high === null || g.value === null) return null;
    const before = others.find((o) => o.name === g.name)?.value ?? null;
    const hard_low = g.hard_low ?? 0;
    const hard_high = g.hard_high ?? g.good_high;
    const band = { hard_low, good_low: g.good_low, good_high: g.good_high, hard_high };
    const from = Math.min(hard_low, g.value, before ?? Infinity);
    const to = Math.max(hard_high, g.value, before ?? 0);
    const s = sieveScale(band, { lowest: 0, highest: null }, from, to, w);
    return { s, before, low: g.good_low, high: g.good_high, value: g.value };
  }

  const decimals = (g: Gauge): number => (g.name === 'binder' ? 2 : (g.value ?? 0) >= 20 ? 0 : 1);
</script>

<ul>
  {#each gauges as g (g.name)}
    {@const d = drawn(g, width)}
    <li class:stuck={g.status === 'held'} data-gauge={g.name}>
      <span class="name">{g.label}</span>
      <span class="line" bind:clientWidth={width}>
        {#if d}
          <svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" aria-hidden="true">
            {#if d.s.x(d.low) > 1}<rect
                x="1"
                y={MIDDLE - 11}
                width={d.s.x(d.low) - 1}
                height="22"
                fill="url(#mesh)"
              />{/if}
            <rect
              x={d.s.x(d.high)}
              y={MIDDLE - 11}
              width={Math.max(0, width - 1 - d.s.x(d.high))}
              height="22"
              fill="url(#mesh)"
            />
            <rect
              class="open"
              x={d.s.x(d.low)}
              y={MIDDLE - 11}
              width={Math.max(1, d.s.x(d.high) - d.s.x(d.low))}
              height="22"
            />
            {#if d.s.wallLow}<rect
                class="wall"
                x={d.s.x(d.s.low) - 1.5}
                y={MIDDLE - 13}
                width="3"
                height="26"
              />{/if}
            {#if d.s.wallHigh}<rect
                class="wall"
                x={d.s.x(d.s.high) - 1.5}
                y={MIDDLE - 13}
                width="3"
                height="26"
              />{/if}
            {#each [d.low, d.high].filter((v) => v > 0) as end (end)}
              <text x={d.s.x(end)} y={HEIGHT - 4}>{figure(end, end >= 20 ? 0 : 1)}</text>
            {/each}
            {#if d.before !== null}<circle class="other" cx={d.s.x(d.before)} cy={MIDDLE} r="6" />{/if}
            <Mark status={g.status} x={d.s.x(d.value)} y={MIDDLE} />
          </svg>
        {/if}
      </span>
      <span class="num value">{g.value === null ? '?' : figure(g.value, decimals(g))}</span>
      <span class="small tail">
        <span class="soft">{g.unit}</span>
        <span class="word {STATUS_CLASS[g.status]}">{g.say}</span>
      </span>
    </li>
  {/each}
</ul>

<style>
  li {
    display: grid;
    grid-template-columns: 8.25rem minmax(5rem, 1fr) 3.5rem 10.5rem;
    align-items: center;
    gap: 0.75rem;
    min-height: 47px;
    border-bottom: 1px solid var(--hairline);
  }

  .stuck {
    margin-left: -12px;
    padding-left: 9px;
    border-left: 3px solid var(--held);
  }

  .name,
  .word {
    font-weight: 600;
  }

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

  .other {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.8;
  }

  .value {
    font-size: 1.0625rem;
  }

  .tail {
    display: flex;
    flex-direction: column;
    line-height: 1.25;
  }

  @media (max-width: 1100px) {
    li {
      grid-template-columns: 6.5rem minmax(4rem, 1fr) 3rem 8rem;
      gap: 0.5rem;
    }
  }

  @media (max-width: 600px) {
    li {
      grid-template-columns: minmax(0, 1fr) 3.25rem 8.5rem;
      padding: 0.35rem 0;
    }

    .line {
      grid-column: 1 / -1;
      grid-row: 2;
    }
  }
</style>
