<!-- Several days of one question together: the sum, the days side by side, and whether they agree. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { day, figure, signed } from '../ui/format';
  import { loadOn } from '../ui/state/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import Numbers from './result/Numbers.svelte';

  const { params }: { params: { ids: string } } = $props();
  let found = $state.raw<Schemas['PooledDays'] | null>(null);
  let looks = $state(1);
  let trouble = $state('');

  async function load(asked: { ids: string; looks: number }): Promise<void> {
    try {
      found = (await ask(api.GET('/api/v1/tastings/pooled', { params: { query: asked } }))).data;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => ({ ids: params.ids, looks }), load);
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load({ ids: params.ids, looks })} />
{:else if found}
  <div class="page">
    <h1 class="verdict" data-verdict>{found.told.verdict}</h1>
    <p>{found.say} {found.told.foot}</p>
    <label class="small"
      >Looks that were planned <input type="number" min="1" max="12" bind:value={looks} /> each is held to {figure(
        100 * found.level,
        1
      )} %</label
    >
    <table>
      <thead>
        <tr
          ><th>day</th><th class="num">tasters</th>{#each found.samples as s (s)}<th class="num">{s}</th
            >{/each}</tr
        >
      </thead>
      <tbody>
        {#each found.days as d (d.id)}
          <tr>
            <td><a href="#/tasting/{d.id}">{d.name}</a> <span class="small soft">{day(d.on)}</span></td>
            <td class="num">{d.n}</td>
            {#each d.means as m, n (n)}<td class="num">{figure(m, 1)}</td>{/each}
          </tr>
        {/each}
        <tr class="all">
          <th>together</th><td class="num">{found.told.n}</td>
          {#each found.samples as s (s)}<td class="num"
              >{figure(found.told.samples.find((x) => x.sample === s)?.mean ?? null, 1)}</td
            >{/each}
        </tr>
      </tbody>
    </table>
    {#if found.over_days.length}
      <h2>With the days as studies</h2>
      <ul>
        {#each found.over_days as p (p.a + p.b)}
          <li>{p.a} − {p.b}: {signed(p.estimate, 1)} ({figure(p.low, 1)} to {figure(p.high, 1)}) points</li>
        {/each}
      </ul>
    {:else}
      <p class="small soft">
        Tasters are the blocks: who sat twice is averaged. With three days and nobody twice, days are taken as
        studies too.
      </p>
    {/if}
    <Numbers told={found.told} />
  </div>
{:else}
  <p class="soft" role="status">Adding the days up …</p>
{/if}

<style>
  .verdict {
    margin: 0.4rem 0;
    font-size: 1.75rem;
    font-weight: 600;
    line-height: 1.25;
  }

  h2 {
    font-size: var(--lead);
  }

  table {
    margin: 1rem 0;
    border-collapse: collapse;
  }

  td,
  th {
    padding: 0.4rem 1.5rem 0.4rem 0;
    border-bottom: 1px solid var(--hairline);
    text-align: left;
    font-weight: 400;
  }

  .num {
    text-align: right;
  }

  .all > * {
    font-weight: 600;
  }

  input {
    width: 4rem;
    min-height: 34px;
    padding: 0 0.4rem;
    border: 1px solid var(--line);
    background: transparent;
  }
</style>
