<!-- Why then: each thing that the step waits for as a sieve along time: shut, open, shut; the step falls through all. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { timeOf } from './clock';

  interface Props {
    reasons: readonly Schemas['Reason'][];
    at: string;
    zone: string;
  }
  const { reasons, at, zone }: Props = $props();

  const W = 260;
  const H = 20;
  const MINUTE = 60_000;
  const begin = $derived(Date.parse(at));
  const reach = $derived.by(() => {
    const ends = reasons.flatMap((r) => [r.at, r.end]).filter((t): t is string => t !== null);
    const off = ends.map((t) => Math.abs(Date.parse(t) - begin)).filter((d) => d < 24 * 60 * MINUTE);
    return Math.max(30 * MINUTE, Math.min(6 * 60 * MINUTE, ...(off.length ? [1.3 * Math.max(...off)] : [])));
  });
  const x = $derived(
    scaleLinear()
      .domain([begin - reach, begin + reach])
      .range([0, W])
      .clamp(true)
  );
  const open = (r: Schemas['Reason']) =>
    [r.at === null ? 0 : x(Date.parse(r.at)), r.end === null ? W : x(Date.parse(r.end))] as const;
  const words = (r: Schemas['Reason']) => {
    const from = r.at ? `from ${timeOf(r.at, zone)} ` : '';
    return `${r.say}: ${from}${r.end ? `to ${timeOf(r.end, zone)}` : 'without end'}`;
  };
</script>

{#if reasons.length}
  <div class="why">
    <h3>Why then? <a class="small" href="#/method/schedule">How times are found</a></h3>
    <table>
      <tbody>
        {#each reasons as r, n (n)}
          {@const [a, b] = open(r)}
          <tr>
            <th scope="row" class:holds={r.holds}>{r.say}</th>
            <td>
              <svg width={W} height={H} role="img" aria-label={words(r)}>
                <rect class="shut" x="0" y="4" width={Math.max(0, a)} height="12" />
                <rect class="open" x={a} y="4" width={Math.max(1, b - a)} height="12" />
                <rect class="shut" x={b} y="4" width={Math.max(0, W - b)} height="12" />
                {#if r.at !== null && a > 0}<path d="M{a} 2v16" />{/if}
                {#if r.end !== null && b < W}<path d="M{b} 2v16" />{/if}
                <circle cx={x(begin)} cy="10" r="4.5" />
              </svg>
            </td>
            <td class="num small">{r.at ? timeOf(r.at, zone) : ''}–{r.end ? timeOf(r.end, zone) : ''}</td>
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="small soft">
      {reasons.some((r) => r.holds)
        ? `It stands at the edge of: ${reasons
            .filter((r) => r.holds)
            .map((r) => r.say)
            .join(', ')}.`
        : 'Nothing holds it: it is where it costs least.'}
    </p>
  </div>
{/if}

<style>
  table {
    border-collapse: collapse;
  }

  th {
    padding-right: 0.75rem;
    font-weight: 400;
    text-align: left;
    white-space: nowrap;
  }

  th.holds {
    font-weight: 600;
  }

  td.num {
    padding-left: 0.6rem;
    white-space: nowrap;
  }

  .shut {
    fill: url(#mesh);
  }

  .open {
    fill: var(--passes-wash);
  }

  path {
    stroke: var(--ink);
    stroke-width: 2;
  }

  circle {
    fill: var(--passes);
  }
</style>
