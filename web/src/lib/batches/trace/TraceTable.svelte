<!-- The trace as a table, which is what prints: lots into batches, batches into places, and whether every gram is found. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { day } from '../../ui/format';
  import { grams } from '../types';

  const { trace }: { trace: Schemas['TraceOut'] } = $props();
  const lot = (id: number | null): Schemas['TraceLot'] | undefined => trace.lots.find((l) => l.id === id);
  const from = (id: number): Schemas['Link'][] =>
    trace.links.filter((l) => l.batch_id === id && l.lot_id !== null);
  const mixes = (id: number): Schemas['MixLink'][] => trace.mixes.filter((m) => m.batch_id === id);
  const nameOf = (id: number): string => trace.batches.find((b) => b.id === id)?.code ?? '';
  const to = (id: number): Schemas['Link'][] =>
    trace.links.filter((l) => l.batch_id === id && l.lot_id === null);
</script>

{#each trace.batches as b (b.id)}
  <section>
    <h2>
      {b.held ? '■ ' : ''}{b.code}
      {b.name}
      <span class="small soft"
        >made {day(b.made_on)}, {grams(b.in_g)} g weighed, {grams(b.made_g)} g in bags</span
      >
    </h2>
    <div class="two">
      <table class="lines">
        <thead><tr><th>From</th><th>Supplier</th><th class="num">g</th><th class="num">%</th></tr></thead>
        <tbody>
          {#each mixes(b.id) as m (m.from_batch_id)}
            <tr>
              <td><a href="#/trace/batch/{m.from_batch_id}">{nameOf(m.from_batch_id)}</a> an earlier batch</td
              >
              <td>this kitchen</td>
              <td class="num">{grams(m.mass_g)}</td>
              <td class="num">{m.pct.toFixed(1)}</td>
            </tr>
          {/each}
          {#each from(b.id) as l (l.lot_id)}
            <tr class:asked={lot(l.lot_id)?.asked}>
              <td
                ><a href="#/trace/lot/{l.lot_id}">{lot(l.lot_id)?.code}</a>
                {lot(l.lot_id)?.name.toLowerCase()}</td
              >
              <td>{lot(l.lot_id)?.supplier}</td>
              <td class="num">{grams(l.mass_g)}</td>
              <td class="num">{l.pct.toFixed(1)}</td>
            </tr>
          {/each}
        </tbody>
      </table>
      <table class="lines">
        <thead
          ><tr><th>Where it is</th><th class="num">Bags</th><th class="num">g</th><th class="num">%</th></tr
          ></thead
        >
        <tbody>
          {#each to(b.id) as l (l.place)}
            <tr
              ><td>{l.place}</td><td class="num">{l.bags || ''}</td><td class="num">{grams(l.mass_g)}</td><td
                class="num">{l.pct.toFixed(1)}</td
              ></tr
            >
          {/each}
          <tr class={b.balanced ? 'passes' : 'held'}>
            <td
              >{b.balanced
                ? b.nobody_knows_g
                  ? '● every gram is found but'
                  : '● every gram is found'
                : '■ nobody knows'}</td
            ><td></td>
            <td class="num">{grams(b.nobody_knows_g)}</td><td class="num">{b.found_pct.toFixed(2)} found</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
{/each}
<p class="small soft no-print"><a href="#/method/stock">How a trace adds up, and when it balances</a></p>
<p class="only-print">Checked and signed: ______________________ &nbsp; on ______________</p>

<style>
  section {
    margin-top: 1rem;
    break-inside: avoid;
  }

  .two {
    display: grid;
    grid-template-columns: 1.2fr 1fr;
    gap: 0 2rem;
  }

  .asked {
    font-weight: 600;
  }

  .only-print {
    display: none;
    margin-top: 2rem;
  }

  @media print {
    .only-print {
      display: block;
    }
  }

  @media (max-width: 760px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
