<!-- The trade-off between two aims: a curve of blends, none of which can be bettered on both; each can be opened. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line as lineOf } from 'd3-shape';
  import { onDestroy, onMount } from 'svelte';
  import { figure } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import Choice from '../../ui/Choice.svelte';
  import Chosen from './Chosen.svelte';
  import type { Proposal } from './lines';
  import type { Proposing } from './propose.svelte';
  import { AXES, fitsBetween, standsAt, Sweeping, type Aim } from './sweep.svelte';

  interface Props {
    search: Proposing;
    ontake: (proposal: Proposal) => void;
  }
  const { search, ontake }: Props = $props();
  // svelte-ignore state_referenced_locally
  const sweep = new Sweeping(search);
  const HEIGHT = 230;
  const LEFT = 52;
  const FOOT = 36;
  let width = $state(560);

  onMount(() => void sweep.run());
  onDestroy(() => {
    sweep.stop();
    search.bench.showMix('', null);
  });

  const uses = $derived(search.wishes?.uses ?? []);
  const fitFor = (label: string): { label: string; unit: string; decimals: number } => ({
    label,
    unit: 'fit of 100',
    decimals: 0
  });
  const axisX = $derived(
    sweep.against
      ? fitFor(`for ${kitchen.useName(sweep.against).toLowerCase()}`)
      : AXES.find((a) => a.name === sweep.x)!
  );
  const axisY = $derived(
    sweep.against ? fitFor('for the worst of the others') : AXES.find((a) => a.name === sweep.y)!
  );
  const now = $derived.by(() => {
    if (sweep.against) return fitsBetween(sweep.against, search.bench.judgement);
    const x = standsAt(sweep.x, search.bench.judgement);
    const y = standsAt(sweep.y, search.bench.judgement);
    return x === null || y === null ? null : { x, y };
  });
  const all = $derived(now ? [...sweep.points, now] : sweep.points);
  const range = (values: number[]): [number, number] => {
    const [low, high] = [Math.min(...values), Math.max(...values)];
    const room = (high - low || Math.abs(high) || 1) * 0.08;
    return [low - room, high + room];
  };
  const sx = $derived(
    scaleLinear()
      .domain(range(all.map((p) => p.x)))
      .range([LEFT, width - 16])
  );
  const sy = $derived(
    scaleLinear()
      .domain(range(all.map((p) => p.y)))
      .range([HEIGHT - FOOT, 10])
  );
  const curve = $derived(
    lineOf<{ x: number; y: number }>(
      (p) => sx(p.x),
      (p) => sy(p.y)
    )
  );
  const aims = AXES.map(({ name, label }) => ({ name: name as string, label, group: 'an aim' }));
  const USE = 'use/';
  const firsts = $derived(
    uses.length > 1
      ? [
          ...aims,
          ...uses.map((u) => ({
            name: USE + u.use,
            label: `the fit for ${kitchen.useName(u.use).toLowerCase()}`,
            group: 'a use'
          }))
        ]
      : AXES.map(({ name, label }) => ({ name: name as string, label }))
  );

  function axis(which: 'x' | 'y', chosen: string): void {
    sweep.against = chosen.startsWith(USE) ? chosen.slice(USE.length) : '';
    if (which === 'x' && !sweep.against) sweep.x = chosen as Aim;
    else if (which === 'y') sweep.y = chosen as Aim;
    if (sweep.against || sweep.x !== sweep.y) void sweep.run();
  }

  function key(event: KeyboardEvent, n: number): void {
    const step = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    const all = (event.currentTarget as SVGElement).parentElement?.querySelectorAll<SVGElement>('.point');
    if (step) all?.[n + step]?.focus();
    else if (event.key === 'Enter') ontake(sweep.points[n]!);
    else return;
    event.preventDefault();
  }
</script>

<section aria-label="Trade-off">
  <p>
    Trade <Choice
      label="First aim"
      options={firsts}
      chosen={[sweep.against ? USE + sweep.against : sweep.x]}
      none=""
      single
      onchange={([a]) => axis('x', a!)}
    /> off against
    {#if sweep.against}<b>that for the others.</b>{:else}
      <Choice
        label="Second aim"
        options={AXES.map(({ name, label }) => ({ name, label }))}
        chosen={[sweep.y]}
        none=""
        single
        after="."
        onchange={([a]) => axis('y', a!)}
      />
    {/if}
    {#if !sweep.against && sweep.x === sweep.y}<span class="close">Choose two different ones.</span>{/if}
    {#if sweep.busy}<span class="soft" role="status">{sweep.points.length} points so far</span>
      <button class="link" onclick={() => sweep.stop()}>stop</button>{/if}
  </p>
  {#if sweep.wrong}<p class="held" role="alert">{sweep.wrong}</p>{/if}
  <div bind:clientWidth={width}>
    {#if sweep.points.length}
      <svg {width} height={HEIGHT} viewBox="0 0 {width} {HEIGHT}" role="group" aria-label="Curve of blends">
        {#each sx.ticks(5) as t (t)}
          <text class="tick" x={sx(t)} y={HEIGHT - FOOT + 16} text-anchor="middle"
            >{figure(t, axisX.decimals)}</text
          >
        {/each}
        {#each sy.ticks(5) as t (t)}
          <path class="grid" d="M{LEFT} {sy(t)}H{width - 16}" />
          <text class="tick" x={LEFT - 8} y={sy(t) + 4} text-anchor="end">{figure(t, axisY.decimals)}</text>
        {/each}
        <text class="name" x={width - 16} y={HEIGHT - 4} text-anchor="end">{axisX.label}, {axisX.unit}</text>
        <text class="name" x={LEFT + 6} y="12">{axisY.label}, {axisY.unit}</text>
        <path class="curve" d={curve([...sweep.points]) ?? ''} />
        {#if now}
          <g transform="translate({sx(now.x)} {sy(now.y)})">
            <rect class="now" x="-5" y="-5" width="10" height="10" transform="rotate(45)" />
            <text class="name" y="-10" text-anchor="middle">on the bench</text>
          </g>
        {/if}
        {#each sweep.points as point, n (n)}
          <circle
            class="point"
            class:on={n === sweep.at}
            role="button"
            tabindex={n === Math.max(0, sweep.at) ? 0 : -1}
            aria-label="{axisX.label} {figure(point.x, axisX.decimals)} {axisX.unit}, {axisY.label} {figure(
              point.y,
              axisY.decimals
            )} {axisY.unit}"
            cx={sx(point.x)}
            cy={sy(point.y)}
            r={n === sweep.at ? 8 : 6}
            onpointerenter={() => sweep.look(n)}
            onfocus={() => sweep.look(n)}
            onkeydown={(e) => key(e, n)}
          />
        {/each}
      </svg>
    {:else if !sweep.busy && !sweep.wrong}
      <p class="soft">There is no blend to trade with: the wishes clash, or nothing was found in the time.</p>
    {/if}
  </div>
  {#if sweep.against && !sweep.busy && sweep.points.length === 1}
    <p>There is nothing to trade: one mix is as good as can be for it and for the others.</p>
  {/if}
  {#if sweep.points[sweep.at]}<Chosen {search} proposal={sweep.points[sweep.at]!} {ontake} />{/if}
</section>

<style>
  section {
    margin-top: 0.6rem;
  }

  .grid {
    stroke: var(--hairline);
  }

  .tick,
  .name {
    fill: var(--soft);
    font-size: var(--small);
  }

  .curve {
    fill: none;
    stroke: var(--flax);
    stroke-width: 2;
  }

  .point {
    fill: var(--sheet);
    stroke: var(--flax);
    stroke-width: 2.5;
    cursor: pointer;
  }

  .point.on {
    fill: var(--flax);
  }

  .now {
    fill: var(--ink);
  }
</style>
