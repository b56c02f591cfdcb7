<!-- What is in a bag: every share with its range on one scale, and what the panel cannot tell apart. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import RangeBar from '../../ui/RangeBar.svelte';

  const { opened }: { opened: Schemas['BoughtBagOut'] } = $props();
  const end = $derived(Math.max(...opened.shares.map((s) => s.share.high_pct), 10));
  /** A narrow range is told to the tenth, a wide one in whole percent. */
  const places = (s: { low_pct: number; high_pct: number }): number => (s.high_pct - s.low_pct < 3 ? 1 : 0);
  const named = $derived(new Map(opened.shares.map((s) => [s.share.ingredient, s.name])));
  const together = $derived(
    opened.together.map((t) => ({
      names: t.ingredients.map((i) => named.get(i) ?? i),
      low: figure(t.low_pct, 0),
      high: figure(t.high_pct, 0)
    }))
  );
</script>

<table>
  <caption class="sr-only"
    >Shares of the bag in percent, with the range in which each lies 19 times in 20</caption
  >
  <thead class="small soft">
    <tr
      ><th scope="col">part</th><th scope="col" class="num">%</th><th scope="col" class="num">range</th><th
        scope="col"
        aria-hidden="true"
      ></th></tr
    >
  </thead>
  <tbody>
    {#each opened.shares as { share, name } (share.ingredient)}
      <tr>
        <th scope="row">{name}</th>
        <td class="num"><b>{figure(share.typical_pct, places(share))}</b></td>
        <td class="num soft"
          >{figure(share.low_pct, places(share))}–{figure(share.high_pct, places(share))}</td
        >
        <td class="bar"
          ><RangeBar
            now={{ low: share.low_pct, typical: share.typical_pct, high: share.high_pct }}
            {end}
          /></td
        >
      </tr>
    {/each}
  </tbody>
</table>
{#each together as t (t.names.join())}
  <p class="small">
    {t.names.join(' and ')}: <b>{t.low}–{t.high} %</b> together. The panel cannot tell them apart.
  </p>
{/each}

<style>
  table {
    width: 100%;
    margin: 0.6rem 0 0.3rem;
    border-collapse: collapse;
  }

  th,
  td {
    padding: 0.15rem 0.6rem 0.15rem 0;
    font-weight: 400;
    text-align: left;
    vertical-align: middle;
  }

  .num {
    width: 3.5rem;
    text-align: right;
    white-space: nowrap;
  }

  .num.soft {
    width: 5.5rem;
  }

  .bar {
    width: 42%;
    padding-right: 0;
  }
</style>
