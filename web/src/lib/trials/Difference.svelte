<!-- Two trials side by side: how many things changed, each in steps, what follows, what it did and how surely. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { figure } from '../ui/format';
  import { loadOn } from '../ui/state/loading.svelte';

  const { a, b }: { a: number; b: number } = $props();
  let found = $state.raw<Schemas['DifferenceTold'] | null>(null);
  let wrong = $state('');
  const W = 130;
  const counted = $derived((found?.changes ?? []).filter((c) => c.steps >= 1));
  const under = $derived((found?.changes ?? []).filter((c) => c.steps < 1));

  async function load(pair: { a: number; b: number }): Promise<void> {
    wrong = '';
    try {
      found = (await ask(api.GET('/api/v1/trials/difference', { params: { query: pair } }))).data;
    } catch (error) {
      wrong = wordsOf(error);
    }
  }

  loadOn(() => ({ a, b }), load);
</script>

{#if wrong}
  <p role="alert">{wrong}</p>
{:else if found}
  <p class="lead">{found.say}</p>
  <ul>
    {#each counted as c, n (n)}
      <li>
        <span
          >{c.say}{#each c.follows as f (f)}<span class="follows small">{f} follows</span>{/each}</span
        >
        <span class="small {c.meant ? 'soft' : 'happened'}">{c.meant ? 'meant' : 'happened'}</span>
        <span class="num small">{figure(c.steps, 1)} steps</span>
      </li>
    {/each}
  </ul>
  {#if under.length}<p class="small soft">Under a step: {under.map((c) => c.say).join('; ')}.</p>{/if}
  {#if found.may_have_changed.length}
    <p class="small">
      May have changed, noted on one side only: {found.may_have_changed.join(', ').toLowerCase()}.
    </p>
  {/if}
  {#if found.effects.length}
    <h3>What it did</h3>
    <ul>
      {#each found.effects as e (e.measure)}
        {@const reach = 2.2 * Math.max(e.half_width, Math.abs(e.difference))}
        {@const x = (v: number) => W / 2 + (v / reach) * W}
        <li class="effect" data-effect={e.measure}>
          <span>{e.say}</span>
          <svg width={W} height="18" aria-hidden="true">
            <path class="zero" d="M{W / 2} 0v18" />
            <path class="range" d="M{x(e.difference - e.half_width)} 9H{x(e.difference + e.half_width)}" />
            <circle cx={x(e.difference)} cy="9" r="4" class={e.shown ? 'shown' : ''} />
          </svg>
          <span class="small soft">{e.leans_on_the_table ? "leans on the table's spread" : ''}</span>
        </li>
      {/each}
    </ul>
    <p class="small soft"><a href="#/method/differences">How is this worked out?</a></p>
  {/if}
{:else}
  <p class="soft" role="status">Laying them side by side …</p>
{/if}

<style>
  .lead {
    margin: 0 0 0.5rem;
    font-size: var(--lead);
    font-weight: 600;
  }

  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 5rem 5rem;
    gap: 0.75rem;
    align-items: baseline;
    border-bottom: 1px solid var(--hairline);
    padding: 0.25rem 0;
  }

  .effect {
    grid-template-columns: minmax(0, 1fr) 130px 7rem;
  }

  .follows {
    display: block;
    padding-left: 1.2rem;
    color: var(--soft);
  }

  .happened {
    color: var(--held);
  }

  .zero {
    stroke: var(--line);
  }

  .range {
    stroke: var(--ink);
    stroke-width: 1.8;
  }

  circle {
    fill: var(--sheet);
    stroke: var(--ink);
    stroke-width: 1.8;
  }

  circle.shown {
    fill: var(--flax);
    stroke: var(--flax);
  }
</style>
