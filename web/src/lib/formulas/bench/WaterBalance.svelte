<!-- The balance of water: above, where it comes from; below, where it goes; the window in which it may lie. -->
<script lang="ts">
  import { figure, shortName } from '../../ui/format';
  import BalanceHandle from './BalanceHandle.svelte';
  import { balanceOf, balanceScale, type Stretch } from './balance';
  import type { FormulaBench } from './formula.svelte';

  const { bench }: { bench: FormulaBench } = $props();
  const HEIGHT = 158;
  const BAR = 34;
  const FROM = 30;
  const TO = 84;
  let width = $state(560);
  const b = $derived(bench.judgement ? balanceOf(bench.judgement) : null);
  const was = $derived(bench.ghost?.judgement.analysis.hydration_pct ?? null);
  const x = $derived(b ? balanceScale(b, width - 8, was ?? 0) : null);
  const gauge = $derived(bench.judgement?.gauges.find((g) => g.name === 'water'));

  function fits(s: Stretch): boolean {
    return !!x && x(s.to) - x(s.from) > shortName(s.name).length * 7.2 + 10;
  }
</script>

<figure aria-label="Balance of water" bind:clientWidth={width}>
  {#if b && x}
    <svg
      {width}
      height={HEIGHT}
      viewBox="-4 0 {width} {HEIGHT}"
      role="group"
      aria-label="Balance of water, % of flour"
    >
      {#if b.window}
        <rect
          class="window"
          x={x(b.window.low)}
          y="16"
          width={x(b.window.high) - x(b.window.low)}
          height={HEIGHT - 40}
        />
        <path class="wall" d="M{x(b.window.low)} 16V{HEIGHT - 24}M{x(b.window.high)} 16V{HEIGHT - 24}" />
        <path class="middle" d="M{x(b.window.typical)} 16V{HEIGHT - 24}" />
        <text class="tick" x={x(b.window.low)} y={HEIGHT - 8}>{figure(b.window.low, 0)}</text>
        <text class="tick" x={x(b.window.high)} y={HEIGHT - 8}>{figure(b.window.high, 0)}</text>
      {/if}
      <text class="tick start" x="0" y={HEIGHT - 8}>0 % of flour</text>
      <text class="head" x="0" y={FROM - 8}>comes from</text>
      {#each b.sources as s (s.key)}
        <g>
          <title>{s.name}: {figure(s.grams, 0)} g, {figure(s.pct, 1)} % of flour</title>
          <rect
            class="source"
            class:other={s.role !== 'water'}
            x={x(s.from)}
            y={FROM}
            width={x(s.to) - x(s.from)}
            height={BAR}
          />
          {#if s.role !== 'water'}<rect
              x={x(s.from)}
              y={FROM}
              width={x(s.to) - x(s.from)}
              height={BAR}
              fill="url(#hatch-other)"
            />{/if}
          {#if fits(s)}<text class="name" x={x(s.from) + 6} y={FROM + 22}
              >{shortName(s.name)} {figure(s.pct, 0)}</text
            >{/if}
        </g>
      {/each}
      <text class="head" x="0" y={TO - 8}>goes to</text>
      {#each b.takers as t (t.key)}
        <g>
          <title>{t.name}: {figure(t.grams, 0)} g, {figure(t.pct, 1)} % of flour</title>
          <rect
            x={x(t.from)}
            y={TO}
            width={Math.max(0, x(t.to) - x(t.from))}
            height={BAR}
            fill="var(--role-{t.role})"
          />
          <rect
            class="edge"
            x={x(t.from)}
            y={TO}
            width={Math.max(0, x(t.to) - x(t.from))}
            height={BAR}
            fill="url(#hatch-{t.role})"
          />
          {#if fits(t)}<text
              class="name on-role"
              class:pale={t.role === 'binder' || t.role === 'nut_seed'}
              x={x(t.from) + 6}
              y={TO + 22}>{shortName(t.name)} {figure(t.pct, 0)}</text
            >{/if}
        </g>
      {/each}
      {#if was !== null}<circle class="was" cx={x(was)} cy={FROM + BAR / 2} r="8" />{/if}
      <BalanceHandle {bench} balance={b} {x} {gauge} y={FROM} height={BAR} />
    </svg>
    <figcaption class="small soft">
      {#if b.window}
        In it {figure(b.hydration, 0)} %, wanted {figure(b.window.typical, 0)} % ({figure(
          b.window.low,
          0
        )}–{figure(b.window.high, 0)}). {bench.judgement?.wanted?.say}
        Goes to {b.takers.map((t) => `${shortName(t.name).toLowerCase()} ${figure(t.pct, 0)}`).join(', ')}.
      {:else}
        {bench.judgement?.prediction.say}
      {/if}
    </figcaption>
  {:else}
    <p class="soft">The balance of water stands here once there is flour and water in the dough.</p>
  {/if}
</figure>

<style>
  figure {
    min-height: 196px;
    margin: 0.35rem 0 0.25rem;
  }

  svg {
    display: block;
    overflow: visible;
  }

  .window {
    fill: var(--passes-wash);
  }

  .wall {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2;
  }

  .middle {
    fill: none;
    stroke: var(--ink);
    stroke-dasharray: 3 4;
  }

  .source {
    fill: var(--role-starch);
    stroke: var(--role-ink);
    stroke-width: 0.6;
  }

  .edge {
    stroke: var(--role-ink);
    stroke-width: 0.6;
  }

  text {
    font-size: 0.8125rem;
  }

  .head {
    fill: var(--soft);
  }

  .tick {
    fill: var(--soft);
    font-family: 'Atkinson Hyperlegible Mono', monospace;
    font-size: 0.75rem;
    text-anchor: middle;
  }

  .tick.start {
    text-anchor: start;
  }

  .name {
    fill: var(--role-ink);
    paint-order: stroke;
    stroke: rgb(255 255 255 / 70%);
    stroke-width: 2.5px;
    pointer-events: none;
  }

  .name.pale {
    fill: #fff;
    stroke: rgb(20 24 60 / 85%);
  }

  .was {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.8;
    stroke-dasharray: 3 2;
  }
</style>
