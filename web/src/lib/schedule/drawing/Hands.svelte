<!-- The row of hands: every stretch of work with its time and what is done, hung by hairlines from the threads. -->
<script lang="ts">
  import type { ScaleLinear } from 'd3-scale';
  import { timeOf } from '../clock';
  import { sameStep, type Step } from '../types';
  import { placed, type Visit } from './visits';

  interface Props {
    visits: readonly Visit[];
    x: ScaleLinear<number, number>;
    y: number;
    height: number;
    left: number;
    width: number;
    zone: string;
    chosen: Step | null;
    /** Where a step's knot hangs. */
    to: (step: Step) => number;
  }
  const { visits, x, y, height, left, width, zone, chosen, to }: Props = $props();

  const said = (v: Visit) => {
    const names = [...new Set(v.steps.map((s) => s.step.replace('-', ' ')))];
    return names.length > 2 ? `${names[0]} … ${names.at(-1)}` : names.join(', ');
  };
  const wide = (v: Visit) => Math.max(42, said(v).length * 5.9);
  const isChosen = (v: Visit) => v.steps.some((s) => sameStep(s, chosen));
  const base = $derived(y + height - 8);
  const labels = $derived(placed(visits, (v) => Math.max(left + 2, x(v.from)), wide, 1, width - 8, isChosen));
</script>

{#each visits as v (v.from)}
  {@const at = x(v.from)}
  <rect
    class="work"
    class:chosen={isChosen(v)}
    x={at}
    y={base - 5}
    width={Math.max(3, x(v.to) - at)}
    height="6"
  />
  {#each v.steps as s (s.product + s.step)}
    <path class="hang" d="M{x(Date.parse(s.at))} {base + 1}V{to(s)}" />
  {/each}
{/each}
{#each labels as { item: v, x: at } (v.from)}
  <path class="lead" d="M{at + 2} {y + 38}L{x(v.from)} {base - 6}" />
  <text class="time" class:chosen={isChosen(v)} x={at} y={y + 19}>{timeOf(v.from, zone)}</text>
  <text class="what" class:chosen={isChosen(v)} x={at} y={y + 34}>{said(v)}</text>
{/each}

<style>
  .work {
    fill: var(--ink);
  }

  .work.chosen,
  text.chosen {
    fill: var(--flax);
  }

  .hang,
  .lead {
    fill: none;
    stroke: var(--line);
    stroke-width: 0.8;
  }

  text {
    font-size: 12px;
    fill: var(--ink);
  }

  .time {
    font-family: 'Atkinson Hyperlegible Mono', ui-monospace, monospace;
    font-size: 14px;
    font-weight: 600;
  }
</style>
