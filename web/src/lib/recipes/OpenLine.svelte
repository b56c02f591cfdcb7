<!-- A line that was not understood: a gap to fill where it stands; else it stays in words. -->
<script lang="ts">
  import { api, ask, type Ingredient, type Schemas } from '../api/client';
  import { Latest } from '../ui/state/latest';
  import type { Recipe } from './recipe.svelte';

  const { recipe, line }: { recipe: Recipe; line: Schemas['ReadLineOut'] } = $props();
  const wrong = $derived(/[.?]$/.test(line.wrong) ? line.wrong : `${line.wrong}.`);
  let finding = $state(false);
  let items = $state.raw<Ingredient[]>([]);

  const search = new Latest<string, Ingredient[]>(
    async (q) =>
      (await ask(api.GET('/api/v1/ingredients', { params: { query: { q, limit: 8 } } }))).data.items,
    (found) => (items = found),
    () => (items = [])
  );

  function find(q: string): void {
    finding = true;
    search.ask(q);
  }

  function choose(slug: string): void {
    recipe.choose(line.number, slug);
    finding = false;
  }

  /** Enter takes the first answer. */
  function key(event: KeyboardEvent): void {
    if (event.key === 'Enter' && items[0]) {
      event.preventDefault();
      choose(items[0].slug);
    } else if (event.key === 'Escape') finding = false;
  }

  const NEAR: Record<string, string> = {
    'wheat-flour': 'wheat flour',
    'bought-gf-plain-flour': 'a bought gluten-free mix'
  };
</script>

<span class="gap">
  <input
    class="field small"
    aria-label="What is {line.name}?"
    placeholder="what is it?"
    title={line.wrong}
    onfocus={() => find(line.name)}
    oninput={(e) => find(e.currentTarget.value)}
    onkeydown={key}
  />
  <span class="small soft">{wrong} Else it stays in words.</span>
  {#if !finding && line.near.length}
    <span class="small"
      >{#each line.near as slug (slug)}<button class="link" onclick={() => choose(slug)}
          >{NEAR[slug] ?? slug.replaceAll('-', ' ')}</button
        >&ensp;{/each}</span
    >
  {/if}
  {#if finding}
    <span class="small found"
      >{#each items as i (i.slug)}<button class="link" onclick={() => choose(i.slug)}>{i.name}</button
        >{:else}<span class="soft">no such ingredient</span>{/each}</span
    >
  {/if}
</span>

<style>
  .gap {
    display: flex;
    flex-wrap: wrap;
    gap: 0.15rem 0.75rem;
    align-items: center;
  }

  input.field {
    width: 9rem;
    min-height: 26px;
    border-color: var(--close);
    border-style: dashed;
  }

  .found {
    display: flex;
    flex-wrap: wrap;
    gap: 0.15rem 0.75rem;
  }
</style>
