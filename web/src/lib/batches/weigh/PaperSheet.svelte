<!-- A weigh-up on paper: each part with its band and lot, and empty boxes that are typed in later. -->
<script lang="ts">
  import { wordsOf } from '../../api/client';
  import { day } from '../../ui/format';
  import { loadOn } from '../../ui/state/loading.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import { loadBatch } from '../doing';
  import { grams, type Batch } from '../types';

  const { params }: { params: { id: string } } = $props();
  const id = $derived(Number(params.id));
  let batch = $state.raw<Batch | null>(null);
  let trouble = $state('');
  const step = $derived(Number(batch?.making.step_g ?? 1));

  async function load(): Promise<void> {
    try {
      batch = await loadBatch(id);
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => id, load);
</script>

{#if trouble && !batch}
  <Trouble say={trouble} again={load} />
{:else if batch}
  {@const b = batch}
  <div class="page">
    <div class="page-head no-print">
      <a class="action" href="#/batch/{b.id}">Back to the batch</a>
      <button class="action main" onclick={() => window.print()}>Print</button>
      <span class="small soft">What is written here is typed in on the weigh-up, part by part.</span>
    </div>
    <h1>{b.name}, revision {b.revision}</h1>
    <p>
      {b.code ? `Batch ${b.code}` : 'Batch ____________'} · {b.made_on
        ? day(b.made_on)
        : 'made on ____________'} · {grams(b.need_g, step)} g in all · {b.making.scale}, container ________ g
    </p>
    {#if b.clean_first}<p class="close">◆ {b.clean_first}</p>{/if}
    <table>
      <thead>
        <tr
          ><th>Part</th><th>From lot</th><th class="num">Wanted, g</th><th class="num">Passes</th><th
            class="box">Lot used</th
          ><th class="box">Gross, g</th><th class="box">Tare, g</th><th class="box">Net, g</th></tr
        >
      </thead>
      <tbody>
        {#each b.parts as p (p.ingredient)}
          <tr>
            <td
              ><b>{p.name}</b>{#if p.dilute}<br /><span class="small">{p.dilute}</span
                >{/if}{#if p.pours > 1}<br /><span class="small">in {p.pours} pours</span>{/if}</td
            >
            <td
              >{#each p.draws as d (d.id)}<span class="draw">{grams(d.mass_g, step)} g of {d.code}</span
                >{/each}{#if p.stands === 'passes' || p.stands === 'held'}<span class="draw soft"
                  >● {grams(p.poured_g, step)} g are in</span
                >{/if}{#if p.short_g > 0}<span class="draw close">◆ {grams(p.short_g, step)} short</span
                >{/if}</td
            >
            <td class="num">{grams(p.target_g, step)}</td>
            <td class="num">{grams(p.low_g, step)}–{grams(p.high_g, step)}</td>
            <td class="box"></td><td class="box"></td><td class="box"></td><td class="box"></td>
          </tr>
        {/each}
      </tbody>
    </table>
    <h2>In this order</h2>
    <ol>
      {#each b.adding as a, n (n)}<li>☐ {a.say}</li>{/each}
    </ol>
    <p>All of it with its container: ____________ g · mixed ______ min · bags filled: ______ of ______ g</p>
    {#if b.mix}<p class="small"><b>{b.mix.allergens}</b></p>{/if}
  </div>
{:else}
  <p class="soft" role="status">Ruling the sheet …</p>
{/if}

<style>
  h1 {
    margin-top: 1rem;
  }

  table {
    width: 100%;
    margin-top: 0.75rem;
    border-collapse: collapse;
  }

  th,
  td {
    border: 1px solid var(--line);
    padding: 0.35rem 0.5rem;
    text-align: left;
    vertical-align: top;
  }

  .num {
    text-align: right;
    white-space: nowrap;
  }

  .box {
    width: 5.5rem;
  }

  td.box {
    height: 2.6rem;
  }

  .draw {
    display: block;
    white-space: nowrap;
  }

  h2 {
    margin: 1rem 0 0.25rem;
  }

  ol {
    margin-bottom: 1rem;
    padding: 0;
    list-style: none;
  }

  @media (max-width: 700px) {
    .page {
      overflow-x: auto;
    }
  }
</style>
