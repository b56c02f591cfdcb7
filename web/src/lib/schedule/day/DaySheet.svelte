<script lang="ts">
  import { kitchen } from '../../app/kitchen.svelte';
  import { mass } from '../../ui/format';
  import { dayOf, timeOf } from '../clock';
  import Threads from '../drawing/Threads.svelte';
  import { factsOf, roomOf } from '../places';
  import type { ScheduleBench } from '../schedule.svelte';
  import { visited, type Step, type Workplace } from '../types';

  const { bench, place }: { bench: ScheduleBench; place: Workplace } = $props();
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const zone = $derived(bench.zone);
  const answer = $derived(bench.shown);
  const heats = $derived(
    (answer?.heating ?? []).map((h) => ({
      at: h.at,
      what: `${h.oven} on to ${h.to_c.toFixed(0)} °C, hot by ${timeOf(h.hot_at, zone)}`
    }))
  );
  const lines = $derived(
    [
      ...visited(answer?.steps ?? []).map((step) => ({ at: step.at, step, what: '' })),
      ...heats.map((h) => ({ ...h, step: null }))
    ].toSorted((a, b) => a.at.localeCompare(b.at))
  );
  const days = $derived([...new Set(lines.map((l) => dayOf(l.at, zone)))]);

  function inHand(s: Step): string {
    const weighed = s.grams.map((g) => {
      const warm = g.temp_c === null ? '' : ` ${g.temp_c.toFixed(0)} °C`;
      return `${g.mass_g === null ? '' : `${mass(g.mass_g, unit)} `}${g.name}${warm}`;
    });
    const notes = s.notes.filter((n) => !n.startsWith('Hot tins') && !n.startsWith('Lay the lid'));
    return [weighed.join(', '), ...notes].filter(Boolean).join('. ');
  }
</script>

<div class="paper">
  <div class="head">
    <div>
      <h1>{bench.head.name}</h1>
      <p class="small">{bench.judgement?.say ?? bench.trouble ?? 'Finding the times …'}</p>
    </div>
    <button class="action no-print" onclick={() => window.print()}>Print</button>
  </div>
  {#if answer?.steps.length}
    <div class="chart">
      <Threads
        {bench}
        facts={factsOf(bench, place)}
        room_c={roomOf(bench, place)}
        now={0}
        onkey={() => undefined}
      />
    </div>
    <table class="lines">
      <thead>
        <tr
          ><td></td><td></td><th>do</th><th>in hand</th><th>where</th><th class="blank">really</th><th
            class="blank">dough °C</th
          ></tr
        >
      </thead>
      {#each days as day (day)}
        <tbody>
          <tr><th colspan="7" scope="rowgroup"><b>{day}</b></th></tr>
          {#each lines.filter((l) => dayOf(l.at, zone) === day) as { at, step: s, what } (at + what + s?.product + s?.step)}
            <tr>
              <td><span class="box"></span></td>
              <td class="num">{timeOf(at, zone)}</td>
              {#if s}
                <td><b>{s.product}</b>: {s.do.toLowerCase()}</td>
                <td>{inHand(s)}</td>
                <td class="where"
                  >{s.oven ?? s.place}{s.temp_c === null ? '' : ` ${s.temp_c.toFixed(0)} °C`}</td
                >
              {:else}
                <td colspan="3">{what}</td>
              {/if}
              <td class="blank"></td>
              <td class="blank"></td>
            </tr>
          {/each}
        </tbody>
      {/each}
    </table>
    <p class="jar">
      Jar, % over its height at first:
      {#each [0, 25, 50, 75, 100, 125, 150] as pct (pct)}<span>{pct}</span>{/each}
    </p>
    <p class="caution">{answer.cautions.join(' ')}</p>
  {/if}
</div>

<style>
  .paper {
    max-width: 210mm;
    margin: 0 auto;
    padding: 0.75rem 1rem;
    background: var(--sheet);
    min-height: 100%;
    font-size: 11.5px;
    line-height: 1.25;
  }

  .head {
    display: flex;
    align-items: start;
    justify-content: space-between;
    gap: 1rem;
    border-bottom: 2px solid var(--ink);
    padding-bottom: 0.25rem;
  }

  .chart {
    zoom: 0.58;
  }

  .lines td,
  .lines th {
    padding: 1.5px 0.5rem 1.5px 0;
    vertical-align: top;
  }

  .lines thead th {
    font-size: 11px;
  }

  .box {
    display: inline-block;
    width: 11px;
    height: 11px;
    margin-top: 1px;
    border: 1.5px solid var(--ink);
  }

  .lines .blank {
    width: 3.6rem;
    border-left: 1px solid var(--hairline);
    padding-left: 0.3rem;
  }

  .where {
    white-space: nowrap;
  }

  .jar {
    display: flex;
    gap: 0;
    margin-top: 0.5rem;
  }

  .jar span {
    width: 3rem;
    border-left: 1.5px solid var(--ink);
    padding-left: 0.2rem;
    margin-left: 0.2rem;
  }

  .caution {
    margin-top: 0.4rem;
  }

  @media print {
    .paper {
      padding: 0;
      max-width: none;
    }

    tr {
      break-inside: avoid;
    }
  }
</style>
