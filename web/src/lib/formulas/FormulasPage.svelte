<!-- All formulas: begin one, paste a recipe, bring in a file, and those put away. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { allPages, api, ask, wordsOf, type Schemas } from '../api/client';
  import { notices } from '../ui/notices.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { bringIn, startFormula } from './making';
  import FormulaItem from './FormulaItem.svelte';

  let formulas = $state.raw<Schemas['FormulaSummary'][] | null>(null);
  let away = $state(false);
  let trouble = $state('');
  let wrong = $state('');
  let chooser = $state<HTMLInputElement>();

  async function load(): Promise<void> {
    trouble = '';
    try {
      const archived = away ? '1' : '0';
      formulas = await allPages((cursor) =>
        ask(api.GET('/api/v1/formulas', { params: { query: { cursor, limit: 100, archived } } }))
      );
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function attempt(work: () => Promise<unknown>): Promise<void> {
    try {
      await work();
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }

  async function bring(): Promise<void> {
    const file = chooser?.files?.[0];
    if (!file || !chooser) return;
    wrong = '';
    try {
      const { formula, notes } = await bringIn(file);
      notes.forEach((n) => notices.say(n));
      await push(`/formula/${formula.formula.id}`);
    } catch (error) {
      wrong = `${file.name} was not taken in, and nothing was changed. ${wordsOf(error)}`;
    } finally {
      chooser.value = '';
    }
  }

  async function shift(f: Schemas['FormulaSummary']): Promise<void> {
    const { id, name, brief_id, version, archived } = f.formula;
    const params = { path: { formula_id: id }, header: { 'If-Match': `"${version}"` } };
    await ask(
      api.PUT('/api/v1/formulas/{formula_id}', { params, body: { name, brief_id, archived: !archived } })
    );
    notices.say(archived ? `${name} is back.` : `${name} is put away. It stays among those put away.`);
    await load();
  }

  onMount(load);
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else}
  <div class="page">
    <div class="page-head">
      <h1>{away ? 'Formulas put away' : 'Formulas'}</h1>
      <button class="action main" onclick={() => attempt(() => startFormula('New formula'))}
        >New formula</button
      >
      <a class="action" href="#/recipe">Paste a recipe</a>
      <button class="action" onclick={() => chooser?.click()}>Bring in a file</button>
      <input
        class="sr-only"
        type="file"
        tabindex="-1"
        accept=".json,.jsonld,.txt,application/json,application/ld+json,text/plain"
        aria-label="Formula file, JSON-LD or recipe as text"
        bind:this={chooser}
        onchange={bring}
      />
    </div>
    {#if wrong}<p class="wrong" role="alert">{wrong}</p>{/if}
    {#if formulas?.length}
      <p class="heads small soft" aria-hidden="true">
        <span>formula</span><span>how it stands</span><span
          >its water between the walls it is wanted in, % of flour</span
        >
      </p>
      <ul>
        {#each formulas as formula (formula.formula.id)}
          <li>
            <FormulaItem {formula} />
            <button class="link small" onclick={() => attempt(() => shift(formula))}
              >{away ? 'take up again' : 'put away'}<span class="sr-only">
                {formula.formula.name}</span
              ></button
            >
          </li>
        {/each}
      </ul>
    {:else if formulas && !away}
      <p class="my-4">
        No formula yet. A formula is a blend at work: with water, fat, salt and what lifts it, every gram of
        water counted. Begin one, or paste a wheat recipe and have it made over.
      </p>
    {:else if formulas}
      <p class="my-4 soft">None is put away.</p>
    {:else}
      <p class="my-4 soft" role="status">Fetching the formulas …</p>
    {/if}
    <p class="small">
      <button
        class="link"
        onclick={() => {
          away = !away;
          void load();
        }}>{away ? 'Back to the formulas at work' : 'Show those put away'}</button
      >
    </p>
  </div>
{/if}

<style>
  h1 {
    flex: 1;
  }

  .heads {
    display: grid;
    grid-template-columns: minmax(16rem, 1.2fr) minmax(12rem, 1fr) 17rem;
    gap: 1.5rem;
    padding: 0.6rem 5.6rem 0 0.35rem;
  }

  @media (max-width: 860px) {
    .heads {
      display: none;
    }
  }

  ul {
    margin: 0.25rem 0 1rem;
  }

  li {
    display: flex;
    align-items: center;
    gap: 1rem;
    border-bottom: 1px solid var(--hairline);
  }

  li > :global(.formula) {
    flex: 1;
    min-width: 0;
  }

  .wrong {
    margin-top: 0.75rem;
    padding: 0.5rem 0.75rem;
    border-left: 4px solid var(--held);
    background: var(--held-wash);
  }
</style>
