<!-- What the mix gives to eat: told, not judged, with where the mixes on record lie. A brief's wish makes it a sieve. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { kitchen } from '../../app/kitchen.svelte';
  import { figure } from '../../ui/format';
  import type { MixOnRecord } from './practice.svelte';

  interface Props {
    rows: readonly Schemas['Quiet'][];
    mixes: readonly MixOnRecord[];
  }
  const { rows, mixes }: Props = $props();

  function usual(row: Schemas['Quiet']): string {
    const places = kitchen.metric(row.metric).decimals;
    return row.usual ? `${figure(row.usual.low, places)}–${figure(row.usual.high, places)}` : '';
  }
</script>

{#if rows.length}
  <table class="lines quiet" aria-label="What it gives to eat, not judged">
    <thead>
      <tr>
        <th scope="col">To eat; judged where a brief wishes for it</th>
        <th scope="col" class="num">this mix</th>
        <th scope="col" class="num">19 times in 20</th>
        <th scope="col" class="num">{mixes.length ? 'most mixes on record' : ''}</th>
      </tr>
    </thead>
    <tbody>
      {#each rows as row (row.metric)}
        {@const metric = kitchen.metric(row.metric)}
        <tr data-quiet={row.metric}>
          <th scope="row">{metric.label} <span class="soft">{metric.unit}</span></th>
          <td class="num"
            >{row.estimate.typical === null
              ? 'unknown'
              : `${row.estimate.high === null ? 'at least ' : ''}${figure(row.estimate.typical, metric.decimals)}`}</td
          >
          <td class="num soft"
            >{row.estimate.low !== null && row.estimate.high !== null
              ? `${figure(row.estimate.low, metric.decimals)}–${figure(row.estimate.high, metric.decimals)}`
              : ''}</td
          >
          <td class="num soft">{usual(row)}</td>
        </tr>
      {/each}
    </tbody>
  </table>
{/if}

<style>
  .quiet {
    margin-top: 0.75rem;
    font-size: 0.875rem;
  }

  .quiet th[scope='row'] {
    font-weight: 400;
    text-align: left;
  }
</style>
