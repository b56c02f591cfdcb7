<!-- A strip a sample over 1 to 9: each taster a thin line through the strips, the mean a bar with its whisker. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import MiniColumn from '../../blends/column/MiniColumn.svelte';
  import { figure } from '../../ui/format';
  import type { Tasting } from '../types';
  import { nudged, type Line } from './strips';

  interface Props {
    tasting: Tasting;
    told: Schemas['TastingAnswer'];
    marks: readonly Schemas['SeatMarks'][];
    seat: number;
  }
  const { tasting: t, told, marks, seat }: Props = $props();
  const WIDTH = 378;
  const STRIP = 58;
  const GAP = 34;
  const order = $derived(
    told.samples
      .map((s) => ({ ...s, seen: t.samples.find((x) => x.name === s.sample) }))
      .sort((a, b) => b.mean - a.mean)
  );
  const height = $derived(order.length * (STRIP + GAP) - GAP);
  const x = (value: number): number => ((value - 0.5) / 9) * WIDTH;
  const top = (n: number): number => n * (STRIP + GAP);
  const columns = $derived(order.map((s) => t.samples.findIndex((p) => p.name === s.sample)));
  const lines = $derived<Line[]>(
    marks.map((m) => ({
      seat: m.seat,
      name: m.name,
      dropped: m.dropped,
      marks: columns.map((c) => m.marks[c] ?? null)
    }))
  );
  const shifted = $derived(nudged(lines));

  function path(line: Line, shifts: readonly number[]): string {
    const points: string[] = [];
    line.marks.forEach((mark, n) => {
      if (mark === null) return;
      const at = x(mark) + (shifts[n] ?? 0);
      points.push(`${at} ${top(n)}`, `${at} ${top(n) + STRIP}`);
    });
    return points.length ? `M${points.join('L')}` : '';
  }
</script>

<div class="strips">
  <div class="names" style="height: {height}px">
    {#each order as s, n (s.sample)}
      <div class="sample" style="top: {top(n)}px; height: {STRIP}px">
        {#if s.seen?.parts.length}<MiniColumn layers={s.seen.parts} height={STRIP} width={20} />{/if}
        <p>
          <b>{s.sample}</b><span class="small soft">{s.seen?.because ?? ''}</span><span class="small num"
            >{s.seen?.codes.join(' ') ?? ''}</span
          >
        </p>
      </div>
    {/each}
  </div>
  <svg viewBox="0 -14 {WIDTH} {height + 34}" role="img" aria-label="Liking of each taster, and means">
    {#each order as s, n (s.sample)}
      <rect x="0" y={top(n)} width={WIDTH} height={STRIP} class="strip" />
      {#each [1, 2, 3, 4, 5, 6, 7, 8] as step (step)}
        <path d="M{(step / 9) * WIDTH} {top(n)}v{STRIP}" class="step" />
      {/each}
    {/each}
    {#each lines as line (line.seat)}
      <path
        d={path(line, shifted.get(line.seat) ?? [])}
        class="taster"
        class:mine={line.seat === seat}
        class:dropped={line.dropped}
      />
    {/each}
    {#each order as s, n (s.sample)}
      {#if s.low !== null && s.high !== null}
        <path
          d="M{x(Math.max(0.5, s.low))} {top(n) + STRIP / 2}H{x(Math.min(9.5, s.high))}M{x(
            Math.max(0.5, s.low)
          )} {top(n) + STRIP / 2 - 9}v18M{x(Math.min(9.5, s.high))} {top(n) + STRIP / 2 - 9}v18"
          class="whisker"
        />
      {/if}
      <rect x={x(s.mean) - 6} y={top(n) - 3} width="12" height={STRIP + 6} class="mean" />
    {/each}
    {#each [1, 2, 3, 4, 5, 6, 7, 8, 9] as v (v)}
      <text x={x(v)} y={height + 14} text-anchor="middle">{v}</text>
    {/each}
    {#each lines.filter((l) => l.seat === seat && l.marks[0] !== null).slice(0, 1) as mine (mine.seat)}
      <text x={Math.min(x(mine.marks[0] ?? 1), WIDTH - 24)} y="-5" text-anchor="middle" class="who"
        >seat {seat}</text
      >
    {/each}
  </svg>
  <div class="means" style="height: {height}px">
    {#each order as s, n (s.sample)}
      <p style="top: {top(n)}px; height: {STRIP}px">
        <b class="num">{figure(s.mean, 1)}</b>
        <span class="small"
          ><span class="soft">of 9</span>{#if told.winner === s.sample}<b class="won">won</b>{/if}</span
        >
      </p>
    {/each}
  </div>
</div>
<p class="small soft words">
  <span>bar: mean · whisker: 95 % sure · each line one taster</span><span
    >1 dislike extremely, 5 neither, 9 like extremely</span
  >
</p>
<table class="sr-only">
  <caption>Liking by seat</caption>
  <thead
    ><tr
      ><th>seat</th>{#each order as s (s.sample)}<th>{s.sample}</th>{/each}</tr
    ></thead
  >
  <tbody>
    {#each lines as line (line.seat)}
      <tr
        ><th>{line.seat} {line.name}</th>{#each line.marks as mark, n (n)}<td>{mark ?? 'not tasted'}</td
          >{/each}</tr
      >
    {/each}
  </tbody>
</table>

<style>
  .strips {
    display: grid;
    grid-template-columns: 9.5rem minmax(10rem, 25rem) 6.5rem;
    gap: 0 1rem;
    align-items: start;
  }

  .names,
  .means {
    position: relative;
  }

  svg {
    width: 100%;
    overflow: visible;
    margin-top: -14px;
  }

  .sample,
  .means p {
    position: absolute;
    inset-inline: 0;
    display: flex;
    gap: 0.6rem;
    align-items: center;
    margin: 0;
  }

  .sample p {
    display: grid;
    justify-items: start;
    margin: 0;
    line-height: 1.25;
    min-width: 0;
  }

  .means .num {
    font-size: 1.9rem;
  }

  .means span {
    display: grid;
  }

  .won {
    color: var(--passes);
  }

  .strip {
    fill: var(--ground);
    stroke: var(--hairline);
  }

  .step {
    stroke: var(--sheet);
    stroke-width: 2;
  }

  .taster {
    fill: none;
    stroke: var(--soft);
    stroke-width: 1.2;
    stroke-linejoin: round;
  }

  .taster.mine {
    stroke: var(--flax);
    stroke-width: 3;
  }

  .taster.dropped {
    stroke-dasharray: 3 3;
  }

  .whisker {
    fill: none;
    stroke: var(--ink);
    stroke-width: 2.5;
  }

  .mean {
    fill: var(--ink);
    stroke: var(--sheet);
    stroke-width: 2;
  }

  text {
    font-size: 12.5px;
    fill: var(--soft);
  }

  .who {
    fill: var(--flax);
    font-weight: 600;
  }

  .words {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0.2rem 1rem;
    margin: 0.4rem 0 1rem;
  }

  @media (max-width: 560px) {
    .strips {
      grid-template-columns: 5rem minmax(6rem, 1fr) 4.2rem;
      gap: 0 0.4rem;
    }

    .means .num {
      font-size: 1.5rem;
    }
  }
</style>
