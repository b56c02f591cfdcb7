<!-- Bakes as round loaves with their number, filled by what they came to; twins doubled, today ringed, next dashed. -->
<script lang="ts">
  import { inOrder, type Experiment } from '../types';
  import { spotOf } from './geometry';
  import { shadeOf } from './shades';

  const { experiment: e }: { experiment: Experiment } = $props();
  const vertices = $derived(e.picture!.vertices);
  const names = $derived(e.asked.parts.map((p) => p.name));
  const groups = $derived(
    [...new Set(e.runs.map((r) => r.group))].map((g) => {
      const runs = e.runs.filter((r) => r.group === g);
      const fourth = e.picture!.fourth;
      // Of four parts a bake at another share of the fourth is drawn faintly: it lies on another slice.
      const off = fourth !== null && Math.abs((runs[0]!.x[3] ?? 0) - fourth) > 0.03;
      return { g, runs, off, at: spotOf(runs[0]!.x, vertices), today: runs[0]!.is_today };
    })
  );
  const next = $derived(
    e.map && e.map.stop.advice === 'go-on' ? spotOf(inOrder(e.map.next.x, names), vertices) : null
  );
  const shade = (value: number | null): number => shadeOf(value, e.picture!.levels);
</script>

{#if next}
  <circle cx={next.x} cy={next.y} r="15" class="next" /><text x={next.x + 21} y={next.y + 5} class="said"
    >next</text
  >
{/if}
{#each groups as { g, runs, off, at, today } (g)}
  <g opacity={off ? 0.35 : 1}>
    {#if today}
      <circle cx={at.x} cy={at.y} r={20 + 3 * (runs.length - 1)} class="today" />
      <text x={at.x} y={at.y + 40 + 3 * runs.length} class="said" text-anchor="middle">today</text>
    {/if}
    {#each runs as run, n (run.number)}
      {@const first = n === runs.length - 1}
      <g transform="translate({at.x + 4 * (runs.length - 1 - n)} {at.y - 3 * (runs.length - 1 - n)})">
        <circle
          r="14"
          class="loaf {run.failed ? 'failed' : run.value === null ? 'waiting' : `f${shade(run.value)}`}"
        />
        {#if first}<text
            y="5"
            text-anchor="middle"
            class="number"
            class:dark={!run.failed && run.value !== null && shade(run.value) > 2}>{runs[0]!.number}</text
          >{/if}
        {#if run.failed}<path d="M-10 10L10-10" class="strike" />{/if}
      </g>
    {/each}
  </g>
{/each}

<style>
  .loaf {
    stroke: #17231f;
    stroke-width: 1.8;
  }

  .f0 {
    fill: #e9efe9;
  }

  .f1 {
    fill: #cdd8d0;
  }

  .f2 {
    fill: #a8bab0;
  }

  .f3 {
    fill: #7b968a;
  }

  .f4 {
    fill: #4a6b60;
  }

  .waiting {
    fill: #fbfcf9;
    stroke-dasharray: 3 2.5;
  }

  .failed {
    fill: #fbfcf9;
    stroke: #a32a1f;
  }

  .strike {
    stroke: #a32a1f;
    stroke-width: 2;
  }

  .today {
    fill: none;
    stroke: #17231f;
    stroke-width: 2;
  }

  .next {
    fill: #fbfcf9;
    stroke: #3a58a8;
    stroke-width: 2.5;
    stroke-dasharray: 5 3;
  }

  text {
    font-size: 14px;
    fill: #17231f;
  }

  .number {
    font-size: 13px;
    font-variant-numeric: tabular-nums;
  }

  .number.dark {
    fill: #fbfcf9;
  }

  .said {
    font-weight: 600;
    paint-order: stroke;
    stroke: #fbfcf9;
    stroke-width: 4.5px;
  }
</style>
