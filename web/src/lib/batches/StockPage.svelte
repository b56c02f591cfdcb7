<!-- Stock take: every bag and lot by its place; the book figure is hidden until the count is in. And what is to be bought. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { figure, money } from '../ui/format';
  import { attempt } from '../ui/state/attempt';
  import Trouble from '../ui/Trouble.svelte';
  import { grams, kilos } from './types';

  let items = $state.raw<Schemas['ToCount'][] | null>(null);
  let causes = $state.raw<string[]>([]);
  let buy = $state.raw<Schemas['ToBuyOut'] | null>(null);
  let typed = $state<Record<string, string>>({});
  let done = $state<Record<string, Schemas['CountedOut']>>({});
  let trouble = $state('');
  const keyOf = (x: Schemas['ToCount']): string => `${x.kind} ${x.id}`;
  const counted = $derived(Object.values(done).filter((d) => d.kept).length);

  async function load(): Promise<void> {
    try {
      const { data } = await ask(api.GET('/api/v1/stock/count'));
      [items, causes] = [data.items, data.causes];
      buy = (await ask(api.GET('/api/v1/stock/buy'))).data;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function count(x: Schemas['ToCount'], cause = ''): Promise<void> {
    const text = typed[keyOf(x)]?.trim();
    if (!text) return;
    await attempt(async () => {
      const mass_g = Number(text.replace(/[\s\u202f]/g, '').replace(',', '.'));
      const body = { kind: x.kind as 'lot' | 'bag', id: x.id, mass_g, cause };
      done[keyOf(x)] = (await ask(api.POST('/api/v1/stock/count', { body }))).data;
    });
  }

  onMount(load);
</script>

{#if trouble && !items}
  <Trouble say={trouble} again={load} />
{:else if items}
  <div class="page">
    <div class="page-head">
      <h1 data-says>
        {counted ? `${counted} of ${items.length} counted.` : `${items.length} bins and lots to count.`}
      </h1>
      <button class="action no-print" onclick={() => window.print()}>Count sheet</button>
    </div>
    <p class="small soft">Weigh what is there and type it; the book figure shows once the count is in.</p>
    <div class="scroll">
      <table class="lines">
        <thead
          ><tr
            ><th>Stands</th><th>What</th><th>Code</th><th class="num">Counted, g</th><th>Against the book</th
            ></tr
          ></thead
        >
        <tbody>
          {#each items as x (keyOf(x))}
            {@const d = done[keyOf(x)]}
            <tr>
              <td>{x.place || '–'}</td>
              <td>{x.what.replaceAll('-', ' ')}</td>
              <td class="code">{x.code}</td>
              <td class="num">
                <input
                  class="field num"
                  inputmode="decimal"
                  autocomplete="off"
                  aria-label="{x.code} counted, g"
                  bind:value={typed[keyOf(x)]}
                  disabled={d?.kept}
                  onchange={() => count(x)}
                />
              </td>
              <td>
                {#if d?.kept}
                  <span class="passes"
                    >● {d.difference_g
                      ? `${d.difference_g > 0 ? '+' : '−'}${grams(Math.abs(d.difference_g))} g, counted`
                      : 'as the book says'}</span
                  >
                {:else if d}
                  <span class="close">◆ {d.say}</span>
                  {#each causes as c (c)}<button class="action" onclick={() => count(x, c)}>{c}</button
                    >{/each}
                {/if}
              </td>
            </tr>
          {:else}
            <tr><td colspan="5">Nothing is in stock. Add a lot to an ingredient, or make a batch.</td></tr>
          {/each}
        </tbody>
      </table>
    </div>
    {#if buy}
      <h2>
        To buy
        <a class="small no-print" href="/api/v1/stock/buy.csv" download>as a table (CSV)</a>
      </h2>
      {#if buy.items.length}
        <table class="lines">
          <thead
            ><tr
              ><th>Supplier</th><th>What</th><th class="num">Free</th><th class="num">Planned</th><th
                class="num">Buy at</th
              ><th>Packs</th><th class="num">Price</th></tr
            ></thead
          >
          <tbody>
            {#each buy.items as b (b.ingredient)}
              <tr>
                <td>{b.supplier || 'not recorded'}</td>
                <td><a href="#/ingredients/{b.ingredient}">{b.ingredient.replaceAll('-', ' ')}</a></td>
                <td class="num">{kilos(b.free_g)}</td>
                <td class="num">{kilos(b.planned_g)}</td>
                <td class="num">{kilos(b.buy_at_g)}{b.few_weeks ? ' ◆' : ''}</td>
                <td
                  >{b.packs.map((p) => `${p.count} × ${figure(p.size_g / 1000, 1)} kg`).join(' + ') ||
                    `${kilos(b.need_g)}, no pack known`}</td
                >
                <td class="num">{b.price === null ? 'not known' : money(b.price, buy.currency)}</td>
              </tr>
            {/each}
          </tbody>
        </table>
        <p class="small soft">
          <a href="#/method/stock">How counts and buying are worked out</a>. Buy at: use in the lead time of
          two weeks and what its spread asks beside it, a rule of thumb; ◆ few weeks on record.
        </p>
      {:else}<p>Nothing: what is free covers the plans and the use of the last weeks.</p>{/if}
    {/if}
  </div>
{:else}
  <p class="soft" role="status">Taking the lids off …</p>
{/if}

<style>
  h2 {
    margin-top: 1.5rem;
  }

  .scroll {
    overflow-x: auto;
  }

  .code {
    white-space: nowrap;
  }

  .field.num {
    width: 7rem;
  }

  td .action {
    margin: 0 0.25rem 0.15rem 0;
  }

  /* On a phone each thing is two lines, and its field stands under the thumb. */
  @media screen and (max-width: 600px) {
    .scroll tr {
      display: grid;
      grid-template-columns: minmax(0, 1fr) 7.5rem;
      border-bottom: 1px solid var(--hairline);
    }

    .scroll thead {
      display: none;
    }

    .scroll td {
      border: 0;
    }

    .scroll td:nth-child(1),
    .scroll td:nth-child(3) {
      grid-column: 1;
      padding-block: 0;
      font-size: var(--small);
      color: var(--soft);
    }

    .scroll td:nth-child(2) {
      grid-row: 1;
    }

    .scroll td:nth-child(4) {
      grid-area: 1 / 2 / span 3 / 3;
    }

    .scroll td:nth-child(5) {
      grid-column: 1 / -1;
    }
  }
</style>
