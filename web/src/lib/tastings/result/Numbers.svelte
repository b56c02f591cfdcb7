<!-- The numbers behind: the exact test, pairs, and the usual tests beside it, marked as near ones. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure, signed } from '../../ui/format';

  const { told }: { told: Schemas['TastingAnswer'] } = $props();
  const p = (value: number | null): string =>
    value === null ? '–' : value < 0.001 ? 'under 0.001' : figure(value, 3);
  const ranks = $derived(told.method === 'ranking');
</script>

{#if told.global}
  <details class="small">
    <summary>Numbers</summary>
    <p>
      {told.global.test}{told.global.exact ? '' : ' (drawn)'}: p {p(told.global.p)}.
      {#each told.beside as test (test.test)}{test.test}: p {p(test.p)}, approximate.
      {/each}
    </p>
    {#if told.pairs.length}
      <table>
        <thead>
          <tr>
            <th>pair</th><th class="num">{ranks ? 'first before second' : 'difference'}</th><th class="num"
              >{ranks ? 'of' : '95 %'}</th
            ><th class="num">p</th>{#if ranks}<th class="num">Conover, Holm</th><th class="num">Nemenyi</th
              >{/if}
          </tr>
        </thead>
        <tbody>
          {#each told.pairs as pair (pair.a + pair.b)}
            <tr>
              <td>{pair.a} − {pair.b}</td>
              <td class="num">{ranks ? pair.before : signed(pair.difference, 2)}</td>
              <td class="num">{ranks ? pair.n : `${figure(pair.low, 2)} to ${figure(pair.high, 2)}`}</td>
              <td class="num">{p(pair.p)}</td>
              {#if ranks}<td class="num">{p(pair.approximate.conover_holm ?? null)}</td><td class="num"
                  >{p(pair.approximate.nemenyi ?? null)}</td
                >{/if}
            </tr>
          {/each}
        </tbody>
      </table>
      <p class="soft">
        {ranks
          ? 'p by the exact sign test, ties dropped. Conover and Nemenyi are approximate and crown nobody.'
          : 'Each pair by its own t within tasters. A winner has to beat each other one.'}
      </p>
    {/if}
  </details>
{/if}

<style>
  summary {
    min-height: 32px;
    color: var(--flax);
    cursor: pointer;
  }

  td,
  th {
    padding: 0.2rem 0.9rem 0.2rem 0;
    text-align: left;
    font-weight: 400;
  }

  .num {
    text-align: right;
  }
</style>
