<!-- All experiments, the newest first, each with its sentence; begin one on a formula. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { allPages, api, ask, wordsOf, type Schemas } from '../api/client';
  import { day } from '../ui/format';
  import { attempt } from '../ui/state/attempt';
  import Trouble from '../ui/Trouble.svelte';
  import { beginExperiment } from './doing';

  let items = $state.raw<Schemas['ExperimentStanding'][] | null>(null);
  let formulas = $state.raw<Schemas['FormulaSummary'][]>([]);
  let chosen = $state('');
  let more = $state<number | null>(null);
  let trouble = $state('');

  async function load(): Promise<void> {
    trouble = '';
    try {
      const query = { limit: 100, archived: '0' as const };
      formulas = await allPages((cursor) =>
        ask(api.GET('/api/v1/formulas', { params: { query: { ...query, cursor } } }))
      );
      const { data } = await ask(api.GET('/api/v1/experiments', { params: { query: { limit: 50 } } }));
      items = data.items;
      more = data.next;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function older(): Promise<void> {
    const query = { limit: 50, cursor: more ?? undefined };
    const { data } = await ask(api.GET('/api/v1/experiments', { params: { query } }));
    items = [...(items ?? []), ...data.items];
    more = data.next;
  }

  onMount(load);
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else if items}
  <div class="page">
    <div class="page-head">
      <h1>Experiments</h1>
      <label>
        <span class="sr-only">Formula to experiment on</span>
        <select bind:value={chosen}>
          <option value="">Best mix for a formula …</option>
          {#each formulas.filter((f) => f.standing.state !== 'empty') as f (f.head.id)}
            <option value={String(f.head.id)}>{f.head.name}</option>
          {/each}
        </select>
      </label>
      <button
        class="action main"
        disabled={!chosen}
        onclick={() => attempt(() => beginExperiment(Number(chosen)))}>Begin</button
      >
    </div>
    <ul>
      {#each items as e (e.id)}
        <li>
          <a href="#/experiment/{e.id}">
            <span class="name">{e.name}</span>
            <span class="small soft">{day(e.created_at.slice(0, 10))}</span>
            <span>{e.say}</span>
            <span class="small soft">{e.parts.join(', ').toLowerCase()} · {e.made} of {e.planned} bakes</span>
          </a>
        </li>
      {:else}
        <li class="none">
          No experiment yet. Choose a formula: two to four of its flours are varied between limits, six to ten
          bakes are planned so that they tell most, and a map says where the best mix lies, how surely, and
          when to stop.
        </li>
      {/each}
    </ul>
    {#if more}<button class="action" onclick={() => attempt(older)}>Older experiments</button>{/if}
  </div>
{:else}
  <p class="soft" role="status">Unrolling the maps …</p>
{/if}

<style>
  ul {
    margin: 0.75rem 0;
  }

  li {
    border-bottom: 1px solid var(--hairline);
  }

  .none {
    padding: 1rem 0;
    max-width: 42rem;
  }

  a {
    display: grid;
    grid-template-columns: minmax(11rem, 0.8fr) 6rem minmax(16rem, 2fr) minmax(10rem, 1fr);
    gap: 0.25rem 1rem;
    align-items: baseline;
    padding: 0.6rem 0.35rem;
    color: var(--ink);
    text-decoration: none;
  }

  a:hover {
    background: var(--sheet);
  }

  .name {
    font-weight: 600;
  }

  select {
    min-height: 40px;
    max-width: 16rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
    padding: 0 0.5rem;
  }

  @media (max-width: 860px) {
    a {
      grid-template-columns: 1fr;
    }
  }
</style>
