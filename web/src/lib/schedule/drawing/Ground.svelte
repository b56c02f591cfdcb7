<!-- The ground of the drawing: places as rows, hours of the day, when people are asleep, and how warm each oven is. -->
<script lang="ts">
  import type { ScaleLinear } from 'd3-scale';
  import { area } from 'd3-shape';
  import { dayOf, localOf, timeOf } from '../clock';
  import type { Answer } from '../types';
  import type { Lane } from './lanes';

  /** How warm an oven is at an instant (ms). */
  interface Warmth {
    at: number;
    temp_c: number;
  }
  interface Props {
    answer: Answer;
    lanes: readonly Lane[];
    x: ScaleLinear<number, number>;
    left: number;
    head: number;
    top: number;
    height: number;
    width: number;
    room_c: number;
    zone: string;
    now: number;
  }
  const { answer, lanes, x, left, head, top, height, width, room_c, zone, now }: Props = $props();

  const HOUR = 3600_000;
  const STEPS_H = [1, 2, 3, 4, 6, 12, 24];
  const clip = (px: number) => Math.min(width - 8, Math.max(left, px));
  const hours = $derived.by(() => {
    const [from, to] = x.domain() as [number, number];
    const every = STEPS_H.find((h) => x(from + h * HOUR) - x(from) >= 62) ?? 24;
    const found: number[] = [];
    for (let at = Math.ceil(from / HOUR) * HOUR; at < to; at += HOUR)
      if (Number(localOf(at, zone).slice(11, 13)) % every === 0) found.push(at);
    return found;
  });
  const days = $derived.by(() => {
    const [from] = x.domain() as [number, number];
    const midnights = hours.filter((h) => timeOf(h, zone) === '00:00').map((at) => ({ at, px: x(at) + 3 }));
    const first = { at: from, px: 4 };
    return [first, ...midnights.filter((m) => m.px > left)];
  });
  const dark = $derived(
    answer.hours
      .map((h) => ({ ...h, x0: clip(x(Date.parse(h.at))), x1: clip(x(Date.parse(h.end))) }))
      .filter((h) => h.x1 - h.x0 > 1)
  );
  const WORDS: Record<string, string> = { asleep: 'asleep', blocked: 'no hands', edge: '' };
  const HOTTEST_C = 260;
  const ovens = $derived(
    lanes
      .filter((l) => l.key.startsWith('oven:'))
      .map((lane) => ({
        lane,
        warmth: answer.warmth
          .filter((w) => w.oven === lane.key.slice(5))
          .map((w) => ({ at: Date.parse(w.at), temp_c: w.temp_c }))
      }))
  );

  function heat(lane: Lane, warmth: Warmth[]): string {
    const base = top + lane.top + lane.height;
    const shape = area<Warmth>()
      .x((w) => clip(x(w.at)))
      .y0(base)
      .y1((w) => base - ((w.temp_c - room_c) / HOTTEST_C) * (lane.height - 4));
    return shape(warmth) ?? '';
  }

  /** Degrees that are held for a while, each named once, where there is room for the words. */
  function held(warmth: Warmth[]): { at: number; temp_c: number; px: number }[] {
    const found: { at: number; temp_c: number; px: number }[] = [];
    warmth.forEach((w, n) => {
      const px = clip(x(w.at)) - 5;
      const stays = warmth[n + 1]?.temp_c === w.temp_c && warmth[n - 1]?.temp_c !== w.temp_c;
      if (stays && w.temp_c > 100 && px - (found.at(-1)?.px ?? -99) > 52) found.push({ ...w, px });
    });
    return found;
  }
</script>

<defs>
  <pattern id="hatch-heat" width="7" height="7" patternUnits="userSpaceOnUse">
    <path d="M-1 8L8 -1" class="heat-line" />
  </pattern>
</defs>
{#each dark as h (h.at + h.kind)}
  <rect class={h.kind} x={h.x0} y={head} width={h.x1 - h.x0} height={height - head} />
  {#if WORDS[h.kind] && h.x1 - h.x0 > 56}
    <text class="quiet" x={(h.x0 + h.x1) / 2} y={height - 8} text-anchor="middle">{WORDS[h.kind]}</text>
  {/if}
{/each}
{#each hours as at (at)}
  <path class="hour" d="M{x(at)} {head}V{height}" />
  {#if (timeOf(at, zone) !== '00:00' || x(at) < left + 40) && Math.abs(x(at) - x(now)) > 44}
    <text class="time" x={x(at)} y={head - 8} text-anchor="middle">{timeOf(at, zone)}</text>
  {/if}
{/each}
{#each days as day (day.at)}
  <text class="day" x={day.px} y={head - 8}>{dayOf(day.at, zone)}</text>
{/each}
<path class="rule" d="M0 {head}H{width}" />
<text class="lane" x="4" y={head + 20}>Hands</text>
{#each ovens as { lane, warmth } (lane.key)}
  <path class="heat" d={heat(lane, warmth)} />
  {#each held(warmth) as w (w.at)}
    <text class="degrees" x={w.px} y={top + lane.top + 15} text-anchor="end">{w.temp_c.toFixed(0)} °C</text>
  {/each}
{/each}
{#each lanes as lane (lane.key)}
  <path class="row" d="M0 {top + lane.top}H{width}" />
  <text class="lane" x="4" y={top + lane.top + 18}
    >{lane.label}{#if lane.facts && lane.height <= 38}<tspan class="facts" dx="6">{lane.facts}</tspan
      >{/if}</text
  >
  {#if lane.facts && lane.height > 38}
    <text class="facts" x="4" y={top + lane.top + 33}>{lane.facts}</text>
  {/if}
{/each}
<path class="row" d="M0 {height - 1}H{width}" />

<style>
  .asleep {
    fill: var(--ink);
    opacity: 0.16;
  }

  .edge {
    fill: var(--ink);
    opacity: 0.06;
  }

  :global([data-mode='dark']) .asleep {
    fill: #000;
    opacity: 0.45;
  }

  :global([data-mode='dark']) .edge {
    fill: #000;
    opacity: 0.2;
  }

  .blocked {
    fill: url(#mesh);
    opacity: 0.6;
  }

  .hour {
    stroke: var(--hairline);
  }

  .rule {
    stroke: var(--ink);
    stroke-width: 1.5;
  }

  .row {
    stroke: var(--line);
  }

  .heat {
    fill: url(#hatch-heat);
    stroke: var(--held);
    stroke-width: 1;
  }

  .heat-line {
    stroke: var(--held);
    stroke-width: 0.8;
    opacity: 0.5;
  }

  text {
    font-size: 12px;
    fill: var(--soft);
  }

  .time,
  .degrees {
    font-family: 'Atkinson Hyperlegible Mono', ui-monospace, monospace;
  }

  .degrees {
    fill: var(--held);
  }

  .day,
  .lane {
    fill: var(--ink);
    font-weight: 600;
    font-size: 13px;
  }

  .facts {
    fill: var(--soft);
    font-size: 12px;
    font-weight: 400;
  }

  .quiet {
    fill: var(--ink);
    opacity: 0.75;
  }
</style>
