<!-- The last bakes of a formula as small multiples: a row a measure, a place a bake, what changed runs through all. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { day } from '../../ui/format';
  import { loadOn } from '../../ui/state/loading.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import Row from './Row.svelte';

  const { params }: { params: { id: string } } = $props();
  let found = $state.raw<Schemas['Multiples'] | null>(null);
  let last = $state(8);
  let trouble = $state('');
  let width = $state(800);
  const LABEL = 150;
  const id = $derived(Number(params.id));
  const place = $derived(found?.trials.length ? (width - LABEL) / found.trials.length : 100);
  const x = $derived((n: number) => LABEL + place * (n + 0.5));

  async function load(asked: { formula: number; last: number }): Promise<void> {
    trouble = '';
    try {
      found = (await ask(api.GET('/api/v1/trials/multiples', { params: { query: asked } }))).data;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => ({ formula: id, last }), load);
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load({ formula: id, last })} />
{:else if found}
  <div class="page">
    <div class="page-head">
      <h1>Last bakes of {found.formula_name}</h1>
      <label class="small"
        >how many
        <select bind:value={last}>
          {#each [4, 6, 8, 12] as n (n)}<option value={n}>{n}</option>{/each}
        </select></label
      >
      <a class="action" href="#/family/{id}">Family</a>
    </div>
    {#if found.trials.length < 2}
      <p>
        Two bakes at least stand side by side. {found.trials.length ? 'One is there.' : 'None is there yet.'}
      </p>
    {:else}
      <p class="small soft">
        Hollow tick: as planned. Whisker: how surely it was read. Line between two: what changed.
      </p>
      <div class="all" bind:clientWidth={width}>
        <div class="heads" style="padding-left: {LABEL}px">
          {#each found.trials as t (t.id)}
            <a href="#/trial/{t.id}" style="width: {place}px" title={t.name}
              ><b class="num">{t.id}</b><span class="small soft">{day(t.baked_on).slice(0, -5)}</span></a
            >
          {/each}
        </div>
        <ul class="planes" aria-label="What changed between neighbours">
          {#each found.planes as p, n (n)}
            <li
              style="left: {LABEL + place * (n + 1)}px"
              class:formula={p.formula}
              class:several={p.things_changed > 1}
              title={p.say}
            >
              {#if p.things_changed}<span class="small num">{p.things_changed}</span>{/if}
              <span class="sr-only"
                >between {found.trials[n]!.name} and {found.trials[n + 1]!.name}: {p.say}</span
              >
            </li>
          {/each}
        </ul>
        {#each found.rows as row (row.measure)}<Row {row} {x} {width} label={LABEL} />{/each}
      </div>
    {/if}
  </div>
{:else}
  <p class="soft" role="status">Setting them side by side …</p>
{/if}

<style>
  .all {
    position: relative;
    overflow-x: clip; /* while the window narrows, until the rows follow */
    margin-top: 0.75rem;
  }

  .heads {
    display: flex;
  }

  .heads a {
    display: flex;
    flex-direction: column;
    align-items: center;
    color: var(--ink);
    text-decoration: none;
    padding-bottom: 1.4rem;
  }

  .planes li {
    position: absolute;
    top: 2.6rem;
    bottom: 0;
    border-left: 1px solid var(--hairline);
  }

  .planes li.formula {
    border-left: 3px double var(--line);
  }

  .planes li.several {
    border-left-color: var(--close);
  }

  .planes span.num {
    position: absolute;
    transform: translate(-50%, 0);
    background: var(--ground);
    padding: 0 0.2rem;
  }

  select {
    min-height: 36px;
    border: 1px solid var(--line);
    background: var(--sheet);
  }
</style>
