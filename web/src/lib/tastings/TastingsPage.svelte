<!-- All tables, the newest first, each with what it said; begin one. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { day } from '../ui/format';
  import { attempt } from '../ui/state/attempt';
  import Trouble from '../ui/Trouble.svelte';
  import { beginTasting } from './doing';
  import { methodLabel, stageWord } from './types';

  let items = $state.raw<Schemas['TastingStanding'][] | null>(null);
  let more = $state<number | null>(null);
  let trouble = $state('');
  let pooling = $state<number[]>([]);

  async function load(): Promise<void> {
    trouble = '';
    try {
      const { data } = await ask(api.GET('/api/v1/tastings', { params: { query: { limit: 50 } } }));
      items = data.items;
      more = data.next;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function older(): Promise<void> {
    const query = { limit: 50, cursor: more ?? undefined };
    const { data } = await ask(api.GET('/api/v1/tastings', { params: { query } }));
    items = [...(items ?? []), ...data.items];
    more = data.next;
  }

  function pool(id: number, on: boolean): void {
    pooling = on ? [...pooling, id] : pooling.filter((p) => p !== id);
  }

  const told = (t: Schemas['TastingStanding']): string =>
    t.say ||
    `${stageWord(t.stage)}${t.stage === 'setting' ? '' : `, ${t.handed_in} of ${t.seats} handed in`}`;

  onMount(load);
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else if items}
  <div class="page">
    <div class="page-head">
      <h1>Tastings</h1>
      <button class="action main" onclick={() => attempt(() => beginTasting({}))}>Set a table</button>
      {#if pooling.length > 1}
        <a class="action" href="#/pooled/{pooling.join(',')}">Pool {pooling.length} days</a>
      {/if}
    </div>
    <ul>
      {#each items as t (t.id)}
        <li>
          <a class="tasting" href="#/tasting/{t.id}">
            <span class="name">{t.name}</span>
            <span class="small soft">{day(t.created_at.slice(0, 10))}</span>
            <span class="said">{told(t)}</span>
            <span class="small soft">{methodLabel(t.method)} · {t.samples.join(', ')}</span>
          </a>
          {#if t.stage === 'unblinded' && (t.method === 'liking' || t.method === 'ranking')}
            <label class="pool small"
              ><input
                type="checkbox"
                aria-label="pool {t.name}"
                checked={pooling.includes(t.id)}
                onchange={(e) => pool(t.id, e.currentTarget.checked)}
              />
              pool</label
            >
          {/if}
        </li>
      {:else}
        <li class="none">
          Nobody has tasted yet. Set a table: samples from your trials, a seat for each who tastes and what
          they must not eat. Codes, orders, sheets and the sum come by themselves.
        </li>
      {/each}
    </ul>
    {#if more}<button class="action" onclick={() => attempt(older)}>Older tables</button>{/if}
    <p class="caution small">
      A tasting says who liked what. Whether a sample is safe to eat for somebody it never says: allergens,
      gluten and raw dough are looked at before it.
    </p>
  </div>
{:else}
  <p class="soft" role="status">Looking through the tables …</p>
{/if}

<style>
  ul {
    margin: 0.75rem 0;
  }

  li {
    display: flex;
    align-items: center;
    border-bottom: 1px solid var(--hairline);
  }

  .none {
    padding: 1rem 0;
    max-width: 42rem;
  }

  .tasting {
    flex: 1;
    display: grid;
    grid-template-columns: minmax(11rem, 0.8fr) 6rem minmax(16rem, 2fr) minmax(10rem, 1fr);
    gap: 0.25rem 1rem;
    align-items: baseline;
    padding: 0.6rem 0.35rem;
    color: var(--ink);
    text-decoration: none;
  }

  .tasting:hover {
    background: var(--sheet);
  }

  .name {
    font-weight: 600;
  }

  li:not(:has(.pool)) {
    padding-right: 4.6rem;
  }

  .pool {
    display: flex;
    gap: 0.4rem;
    align-items: center;
    min-height: 44px;
    padding: 0 0.5rem;
    color: var(--soft);
  }

  .pool input {
    width: 20px;
    height: 20px;
    accent-color: var(--flax);
  }

  .caution {
    max-width: 46rem;
    color: var(--close);
  }

  @media (max-width: 860px) {
    .tasting {
      grid-template-columns: 1fr;
    }
  }
</style>
