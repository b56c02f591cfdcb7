<!-- The day sheet, for paper: the threads small, then a line a visit with blanks for what really was. -->
<script lang="ts">
  import { wordsOf } from '../api/client';
  import { kitchen } from '../app/kitchen.svelte';
  import { serverOf } from '../document/server';
  import type { Whole } from '../document/types';
  import Trouble from '../ui/Trouble.svelte';
  import { mass } from '../ui/format';
  import { dayOf, timeOf } from './clock';
  import { planned } from './schedule.svelte';
  import { visited, type Answer, type Content, type Step } from './types';

  const { params }: { params: { id: string } } = $props();
  let whole = $state.raw<Whole<Content> | null>(null);
  let answer = $state.raw<Answer | null>(null);
  let trouble = $state('');
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const zone = $derived(whole?.draft.content.zone ?? 'UTC');
  const visits = $derived(answer ? visited(answer.steps) : []);
  const days = $derived([...new Set(visits.map((s) => dayOf(s.at, zone)))]);

  async function load(id: string): Promise<void> {
    trouble = '';
    try {
      whole = await serverOf<Content>('schedules').get(Number(id));
      answer = await planned(whole.draft.content, () => undefined);
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  function weighed(s: Step): string {
    return s.grams
      .map(
        (g) =>
          `${g.mass_g === null ? '' : `${mass(g.mass_g, unit)} `}${g.name}${g.temp_c === null ? '' : ` at ${g.temp_c.toFixed(0)} °C`}`
      )
      .join(', ');
  }

  $effect(() => void load(params.id));
</script>

<div class="paper">
  {#if trouble}
    <Trouble say={trouble} again={() => load(params.id)} />
  {:else if whole && answer}
    <div class="head">
      <div>
        <h1>{whole.head.name}</h1>
        <p>{answer.say}</p>
      </div>
      <button class="action no-print" onclick={() => window.print()}>Print</button>
    </div>
    {#each answer.heating as h (h.oven + h.at)}
      <p class="small">
        {dayOf(h.at, zone)}
        {timeOf(h.at, zone)}: {h.oven} on to {h.to_c.toFixed(0)} °C, hot by {timeOf(h.hot_at, zone)}.
      </p>
    {/each}
    {#each days as day (day)}
      <table class="lines">
        <thead>
          <tr
            ><th></th><th>{day}</th><th>do</th><th>in hand</th><th>place</th><th class="blank">really</th><th
              class="blank">dough °C</th
            ></tr
          >
        </thead>
        <tbody>
          {#each visits.filter((s) => dayOf(s.at, zone) === day) as s (s.product + s.step)}
            <tr>
              <td><span class="box"></span></td>
              <td class="num">{timeOf(s.at, zone)}</td>
              <td><b>{s.do}</b><br /><span class="small">{s.product}</span></td>
              <td class="small"
                >{weighed(s)}{#each s.notes as n (n)}<br />{n}{/each}</td
              >
              <td class="small">{s.oven ?? s.place}{s.temp_c === null ? '' : ` ${s.temp_c.toFixed(0)} °C`}</td
              >
              <td class="blank"></td>
              <td class="blank"></td>
            </tr>
          {/each}
        </tbody>
      </table>
    {/each}
    <p class="jar small">Jar, % of its height at first: 0 · 25 · 50 · 75 · 100 · 125 · 150</p>
    {#each answer.cautions as c (c)}<p class="small">{c}</p>{/each}
  {:else}
    <p class="soft" role="status">Finding the times …</p>
  {/if}
</div>

<style>
  .paper {
    max-width: 210mm;
    margin: 0 auto;
    padding: 1rem 1.25rem;
    background: var(--sheet);
    min-height: 100%;
  }

  .head {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    border-bottom: 2px solid var(--ink);
    margin-bottom: 0.5rem;
  }

  table {
    margin-top: 0.75rem;
  }

  td {
    vertical-align: top;
  }

  .box {
    display: inline-block;
    width: 13px;
    height: 13px;
    margin-top: 3px;
    border: 1.5px solid var(--ink);
  }

  .blank {
    width: 4.5rem;
    border-left: 1px solid var(--hairline);
  }

  .jar {
    margin-top: 0.75rem;
  }

  @media print {
    .paper {
      padding: 0;
      font-size: 10pt;
    }

    tr {
      break-inside: avoid;
    }
  }
</style>
