<!-- One ingredient: what is known of it and how, what is in the bins, and what can be found out. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { wordsOf } from '../../api/client';
  import { spaced } from '../../ui/format';
  import Findings from '../tests/Findings.svelte';
  import { kitchen } from '../../app/kitchen.svelte';
  import Lots from '../lots/Lots.svelte';
  import NewIngredient from '../shelf/NewIngredient.svelte';
  import RoleChip from '../shelf/RoleChip.svelte';
  import { tray } from '../shelf/tray.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import Borrow from './Borrow.svelte';
  import { OneIngredient } from './ingredient.svelte';
  import NumberLine from './NumberLine.svelte';
  import WhatItIs from './WhatItIs.svelte';

  const { params }: { params: { slug: string } } = $props();
  let one = $state.raw<OneIngredient | null>(null);
  let trouble = $state('');
  let copying = $state(false);
  let editing = $state(false);

  async function load(slug: string): Promise<void> {
    trouble = '';
    try {
      const found = new OneIngredient(slug);
      await found.load();
      one = found;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => params.slug, load);

  async function act(what: () => Promise<void>): Promise<void> {
    try {
      await what();
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }

  const putAway = (): Promise<void> =>
    act(async () => {
      await one!.save({ archived: !one!.whole.archived });
      notices.say(
        one!.whole.archived
          ? 'Put away: it is offered no more, and stays in the blends that use it.'
          : 'It is back.'
      );
    });
  const remove = (): Promise<void> =>
    act(async () => {
      await one!.remove();
      await push('/ingredients');
    });

  const works = $derived(one?.whole.functions.map((f) => kitchen.functionLabel(f)).join(', '));
  const groups = [
    { name: 'composition', title: 'In 100 g' },
    { name: 'dough', title: 'In dough' },
    { name: 'bin', title: 'In use' }
  ];
  const own = $derived(
    one?.whole.numbers.filter((n) => ['own', 'label', 'measured'].includes(n.in_force)).length ?? 0
  );

  const ownWords = $derived.by(() => {
    const flour =
      own === 0
        ? 'All its numbers are the table’s'
        : own === 1
          ? 'One number is your own'
          : `${own} numbers are your own`;
    const lots = (one?.lots.items ?? []).filter((l) => l.own_numbers.length && l.stock_g > 0 && !l.archived);
    const theirs = lots.map((l) => `lot ${l.code} has ${l.own_numbers.length} of its own`).join(', ');
    return theirs ? `${flour}; ${theirs}.` : `${flour}.`;
  });
</script>

{#if trouble}
  <Trouble say={trouble} again={() => load(params.slug)} />
{:else if one}
  {@const w = one.whole}
  <div class="page">
    <div class="page-head">
      <RoleChip role={w.role} size={30} />
      <h1>{w.name}</h1>
      <span class="soft grow"
        >{kitchen.roleLabel(w.role)}{w.own ? ', your own' : ''}{works
          ? `; in a dough: ${works}`
          : ''}{w.archived ? ', put away' : ''}</span
      >
      <button
        class="action"
        disabled={tray.full && !tray.has(w.slug)}
        onclick={() => tray.toggle(w.slug, w.name)}
        >{tray.has(w.slug) ? 'Laid out' : 'Lay out to compare'}</button
      >
      <a class="action" href="#/side-by-side/{w.slug}">What could stand in</a>
      <button class="action" onclick={() => (copying = true)}>Copy</button>
      {#if w.own}<button class="action" onclick={() => (editing = true)}>What it is</button>{/if}
      <button class="action" onclick={putAway}>{w.archived ? 'Take up again' : 'Put away'}</button>
    </div>
    <p class="say">
      {one.lots.say}
      {ownWords}
    </p>
    <Borrow {one} />
    <div class="two">
      <section aria-label="Numbers">
        {#each groups as group (group.name)}
          <h2>{group.title}</h2>
          <table>
            <colgroup
              ><col class="what" /><col class="line" /><col class="value" /><col class="span" /><col
              /></colgroup
            >
            <thead class="sr-only">
              <tr>
                <th>Number</th><th>Range</th><th>Value</th><th>From – to</th><th>Known by</th>
              </tr>
            </thead>
            <tbody>
              {#each w.numbers.filter((n) => n.group === group.name) as row (row.field)}
                <NumberLine {one} {row} />
              {/each}
            </tbody>
          </table>
        {/each}
        <p class="soft small mt-2">
          Type over a number to note your own, with its reach if you know it: 8.2 ± 0.3. The table’s stays
          beneath.
          <a href="#/method/layers">How numbers are layered</a>
        </p>
      </section>
      <aside>
        <Findings {one} />
        <Lots {one} />
        <h2>Take care</h2>
        <ul class="care">
          {#each w.look_alikes as other (other.ingredient)}
            <li>
              <strong>Not <a href="#/ingredients/{other.ingredient}">{other.name.toLowerCase()}</a>.</strong>
              {other.differ}
            </li>
          {/each}
          {#if w.usual_max_pct}<li>
              Usually at most {w.usual_max_pct} % of flour: {w.usual_max_reason}.
            </li>{/if}
          {#each w.cautions as caution (caution)}<li>{caution}</li>{/each}
        </ul>
        {#if w.flavour_words.length}<p class="small">Tastes {w.flavour_words.join(', ')}.</p>{/if}
        {#if w.aliases.length}<p class="small soft">Also called {w.aliases.join(', ')}.</p>{/if}
        {#if w.used_by.length}
          <p class="small soft">
            In {w.used_by.length === 1 ? 'one blend' : `${w.used_by.length} blends`}: {w.used_by.join(', ')}.
          </p>
        {:else if w.own}
          <p class="small">
            <button class="link" onclick={remove}>Delete it for good</button>: no blend uses it.
          </p>
        {/if}
        {#if w.watch.length}<p class="small soft">To watch: {w.watch.map(spaced).join(', ')}.</p>{/if}
      </aside>
    </div>
  </div>
  <NewIngredient open={copying} from={w} onclose={() => (copying = false)} />
  <WhatItIs {one} open={editing} onclose={() => (editing = false)} />
{:else}
  <p class="page soft" role="status">Fetching the ingredient …</p>
{/if}

<style>
  .grow {
    flex: 1;
  }

  .say {
    margin: 0.6rem 0;
    font-size: var(--lead);
  }

  .two {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 22rem;
    gap: 2rem;
  }

  h2 {
    margin: 0.9rem 0 0.25rem;
  }

  table {
    width: 100%;
    table-layout: fixed;
    border-collapse: collapse;
    border-top: 1px solid var(--ink);
  }

  .what {
    width: 21%;
  }

  .line {
    width: 20%;
  }

  .value {
    width: 5.25rem;
  }

  .span {
    width: 7rem;
  }

  .care li {
    padding: 0.25rem 0;
    border-bottom: 1px solid var(--hairline);
    font-size: var(--small);
  }

  aside p {
    margin-top: 0.5rem;
  }

  @media (max-width: 640px) {
    .what {
      width: 36%;
    }

    .line,
    .span {
      display: none;
    }
  }

  @media (max-width: 900px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
      gap: 0;
    }
  }
</style>
