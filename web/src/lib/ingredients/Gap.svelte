<!-- A name that was not understood: a gap to fill where it stands. -->
<script lang="ts">
  import { api, ask, wordsOf, type Ingredient } from '../api/client';
  import { Latest } from '../ui/state/latest';
  import { notices } from '../ui/state/notices.svelte';

  interface Props {
    /** What was written, and why it was not understood. */
    name: string;
    wrong: string;
    /** Ingredients it is near to. */
    near: readonly string[];
    /** What happens where nothing is chosen. */
    otherwise: string;
    choose: (slug: string) => void;
  }
  const { name, wrong, near, otherwise, choose }: Props = $props();
  const why = $derived(/[.?]$/.test(wrong) ? wrong : `${wrong}.`);
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

  function take(slug: string): void {
    choose(slug);
    finding = false;
    void remember(slug);
  }

  /** What was answered once is not asked again; the answer stands whether or not it can be remembered. */
  async function remember(ingredient: string): Promise<void> {
    try {
      const body = { phrase: name, ingredient };
      notices.say((await ask(api.POST('/api/v1/kitchen/words', { body }))).data.say);
    } catch (error) {
      notices.say(`“${name}” is not remembered. ${wordsOf(error)}`, true);
    }
  }

  /** Enter takes the first answer. */
  function key(event: KeyboardEvent): void {
    if (event.key === 'Enter' && items[0]) {
      event.preventDefault();
      take(items[0].slug);
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
    aria-label="What is {name}?"
    placeholder="what is it?"
    title={wrong}
    onfocus={() => find(name)}
    oninput={(e) => find(e.currentTarget.value)}
    onkeydown={key}
  />
  <span class="small soft">{why} {otherwise}</span>
  {#if !finding && near.length}
    <span class="small"
      >{#each near as slug (slug)}<button class="link" onclick={() => take(slug)}
          >{NEAR[slug] ?? slug.replaceAll('-', ' ')}</button
        >&ensp;{/each}</span
    >
  {/if}
  {#if finding}
    <span class="small found"
      >{#each items as i (i.slug)}<button class="link" onclick={() => take(i.slug)}>{i.name}</button
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
