<!-- All formulas: begin one, paste a recipe, bring in a file, and those put away. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { allPages, api, ask, type Schemas } from '../api/client';
  import { serverOf } from '../document/server';
  import ListPage from '../ui/ListPage.svelte';
  import type { Listed } from '../ui/listed';
  import { notices } from '../ui/state/notices.svelte';
  import FormulaItem from './FormulaItem.svelte';
  import { bringIn, startFormula } from './making';

  type Item = Listed & { summary: Schemas['FormulaSummary'] };

  async function fetch(away: boolean): Promise<Item[]> {
    const query = { limit: 100, archived: away ? ('1' as const) : ('0' as const) };
    const found = await allPages((cursor) =>
      ask(api.GET('/api/v1/formulas', { params: { query: { ...query, cursor } } }))
    );
    return found.map((summary) => ({ id: summary.head.id, name: summary.head.name, summary }));
  }

  async function take(file: File): Promise<void> {
    const { formula, notes } = await bringIn(file);
    notes.forEach((n) => notices.say(n));
    await push(`/formula/${formula.head.id}`);
  }

  function putAway({ summary }: Item, archived: boolean): Promise<unknown> {
    return serverOf('formulas').saveHead(summary.head, { archived });
  }
</script>

<ListPage
  kind="Formulas"
  {fetch}
  begin={{ label: 'New formula', work: () => startFormula('New formula') }}
  file={{
    label: 'Formula file, JSON-LD or recipe as text',
    accept: '.json,.jsonld,.txt,application/json,application/ld+json,text/plain',
    take
  }}
  {putAway}
  none="No formula yet. A formula is a blend at work: with water, fat, salt and what lifts it, every gram of water counted. Begin one, or paste a wheat recipe and have it made over."
>
  {#snippet tools()}<a class="action" href="#/recipe">Paste a recipe</a>{/snippet}
  {#snippet heads()}
    <p class="heads small soft" aria-hidden="true">
      <span>formula</span><span>how it stands</span><span
        >its water between the walls it is wanted in, % of flour</span
      >
    </p>
  {/snippet}
  {#snippet row({ summary }: Item)}<FormulaItem formula={summary} />{/snippet}
</ListPage>

<style>
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
</style>
