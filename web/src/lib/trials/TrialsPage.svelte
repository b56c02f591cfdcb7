<!-- All trials, the newest first: begin one from a formula, open one, see at a glance how each went. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { allPages, api, ask, wordsOf, type Schemas } from '../api/client';
  import StatusIcon from '../bands/StatusIcon.svelte';
  import { day, figure } from '../ui/format';
  import { attempt } from '../ui/state/attempt';
  import { notices } from '../ui/state/notices.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { beginTrial, bringTrial } from './making';
  import { verdictStatus, type Standing } from './types';

  let items = $state.raw<Standing[] | null>(null);
  let formulas = $state.raw<Schemas['FormulaSummary'][]>([]);
  let more = $state<number | null>(null);
  let chosen = $state('');
  let trouble = $state('');

  async function load(): Promise<void> {
    trouble = '';
    try {
      const query = { limit: 100, archived: '0' as const };
      formulas = await allPages((cursor) =>
        ask(api.GET('/api/v1/formulas', { params: { query: { ...query, cursor } } }))
      );
      const { data } = await ask(api.GET('/api/v1/trials', { params: { query: { limit: 50 } } }));
      items = data.items;
      more = data.next;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function bring(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    if (!file) return;
    try {
      notices.say((await bringTrial(file)).join(' '));
    } finally {
      input.value = '';
    }
  }

  async function older(): Promise<void> {
    const query = { limit: 50, cursor: more ?? undefined };
    const { data } = await ask(api.GET('/api/v1/trials', { params: { query } }));
    items = [...(items ?? []), ...data.items];
    more = data.next;
  }

  const went = (t: Standing): string =>
    t.say ||
    (t.stage === 'planned' ? 'nothing noted yet' : t.stage === 'judged' ? 'no fault marked' : t.stage);

  onMount(load);
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else if items}
  <div class="page">
    <div class="page-head">
      <h1>Trials</h1>
      <label class="begin">
        <span class="sr-only">Formula to bake</span>
        <select bind:value={chosen}>
          <option value="">Bake a formula …</option>
          {#each formulas.filter((f) => f.standing.state !== 'empty') as f (f.head.id)}
            <option value={f.head.id}>{f.head.name}</option>
          {/each}
        </select>
      </label>
      <button
        class="action main"
        disabled={!chosen}
        onclick={() => attempt(() => beginTrial({ formula_id: Number(chosen) }))}>Begin a trial</button
      >
      <label class="action"
        >Bring in a trial file<input
          class="sr-only"
          type="file"
          accept=".json,application/json"
          onchange={(e) => attempt(() => bring(e.currentTarget))}
        /></label
      >
    </div>
    <ul>
      {#each items as t (t.id)}
        <li class:aside={t.set_aside}>
          <a class="trial" href="#/trial/{t.id}">
            <span class="verdict"
              ><StatusIcon status={verdictStatus(t.verdict)} />
              <span class="num">{t.verdict === null ? '' : figure(t.verdict, 0)}</span></span
            >
            <span class="name">{t.name}</span>
            <span class="small soft">{day(t.baked_on)}</span>
            <span>{went(t)}{t.set_aside ? ' · set aside' : ''}</span>
            <span class="small soft">{t.because}</span>
          </a>
        </li>
      {:else}
        <li class="none">
          No bake yet. Choose a formula and begin: its plan is predicted and frozen, and the sheet asks five
          times on the way what went otherwise.
        </li>
      {/each}
    </ul>
    {#if more}<button class="action" onclick={() => attempt(older)}>Older trials</button>{/if}
  </div>
{:else}
  <p class="soft" role="status">Leafing through the bakes …</p>
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
    max-width: 40rem;
  }

  .trial {
    display: grid;
    grid-template-columns: 3rem minmax(11rem, 1.1fr) 7rem minmax(12rem, 1.6fr) minmax(8rem, 1fr);
    gap: 0.25rem 1rem;
    align-items: baseline;
    padding: 0.55rem 0.35rem;
    color: var(--ink);
    text-decoration: none;
  }

  .trial:hover {
    background: var(--sheet);
  }

  .verdict {
    display: flex;
    gap: 0.35rem;
    align-items: center;
  }

  .name {
    font-weight: 600;
  }

  .aside .name,
  .aside span {
    color: var(--soft);
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
    .trial {
      grid-template-columns: 3rem 1fr;
    }

    .trial > :nth-child(n + 3) {
      grid-column: 2;
    }
  }
</style>
