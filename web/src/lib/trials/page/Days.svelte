<!-- How it kept: softness and moistness day by day. -->
<script lang="ts">
  import type { Trial } from '../types';

  const { trial }: { trial: Trial } = $props();
  const WORDS: Record<string, string[]> = {
    soft: ['hard', 'firm', 'yields', 'soft', 'very soft'],
    moist: ['dry', 'dryish', 'right', 'moist', 'wet']
  };
  const rows = $derived(
    ['soft', 'moist'].map((quantity) => ({
      quantity,
      label: quantity === 'soft' ? 'Softness' : 'Moistness',
      days: [0, 1, 2, 3].map((day) =>
        trial.readings.filter((r) => r.quantity === quantity && r.day === day && !r.withdrawn).at(-1)
      )
    }))
  );
  const any = $derived(rows.some((r) => r.days.some(Boolean)));
</script>

{#if any}
  <table>
    <caption class="sr-only">How it kept</caption>
    <thead
      ><tr
        ><th scope="col">Kept</th>{#each [0, 1, 2, 3] as d (d)}<th scope="col">day {d}</th>{/each}</tr
      ></thead
    >
    <tbody>
      {#each rows as row (row.quantity)}
        <tr>
          <th scope="row">{row.label}</th>
          {#each row.days as reading, d (d)}
            <td>
              {#if reading?.value != null}
                <span class="bar" style="width: {reading.value * 12}px" aria-hidden="true"></span>
                {WORDS[row.quantity]?.[Math.round(reading.value) - 1] ?? ''}
              {:else}<span class="soft">–</span>{/if}
            </td>
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
{/if}
{#if trial.told.kept}<p class="kept" data-kept>{trial.told.kept}</p>{/if}

<style>
  table {
    margin-top: 1.25rem;
    border-collapse: collapse;
    width: 100%;
  }

  th,
  td {
    padding: 0.3rem 0.6rem 0.3rem 0;
    border-bottom: 1px solid var(--hairline);
    text-align: left;
    font-weight: 400;
  }

  th[scope='row'] {
    font-weight: 600;
  }

  .kept {
    margin: 0.5rem 0 0;
  }

  .bar {
    display: inline-block;
    height: 8px;
    background: var(--passes);
    margin-right: 0.35rem;
  }
</style>
