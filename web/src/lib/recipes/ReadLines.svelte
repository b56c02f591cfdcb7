<!-- The lines as they were read: mass with its spread, ingredient, guesses; what was not understood can be chosen. -->
<script lang="ts">
  import Check from '@lucide/svelte/icons/check';
  import CircleHelp from '@lucide/svelte/icons/circle-question-mark';
  import PencilLine from '@lucide/svelte/icons/pencil-line';
  import { api, ask, type Ingredient, type Schemas } from '../api/client';
  import { Latest } from '../ui/state/latest';
  import { counted, figure } from '../ui/format';
  import type { Recipe } from './recipe.svelte';

  const { recipe, read }: { recipe: Recipe; read: Schemas['ReadOut'] } = $props();
  let finding = $state<number | null>(null);
  let items = $state.raw<Ingredient[]>([]);
  const counts = $derived({
    yes: read.lines.filter((l) => l.understood === 'yes').length,
    guessed: read.lines.filter((l) => l.understood === 'guessed').length,
    open: read.lines.filter((l) => l.understood === 'part' || l.understood === 'no').length
  });
  const odd = $derived(read.checks.filter((c) => c.kind !== 'look-alike'));
  const alike = $derived(read.checks.filter((c) => c.kind === 'look-alike'));

  const search = new Latest<string, Ingredient[]>(
    async (q) =>
      (await ask(api.GET('/api/v1/ingredients', { params: { query: { q, limit: 8 } } }))).data.items,
    (found) => (items = found),
    () => (items = [])
  );

  function find(line: Schemas['ReadLineOut'], q: string): void {
    finding = line.number;
    search.ask(q);
  }

  function choose(line: number, slug: string): void {
    recipe.choose(line, slug);
    finding = null;
  }

  const grams = (l: Schemas['ReadLineOut']): string =>
    l.mass_g === null ? '?' : figure(l.mass_g, l.mass_g < 10 ? 1 : 0);
  const spread = (l: Schemas['ReadLineOut']): string =>
    l.mass_low_g === null || l.mass_high_g === null || l.mass_high_g - l.mass_low_g < 0.05
      ? ''
      : `${figure(l.mass_low_g, l.mass_low_g < 10 ? 1 : 0)}–${figure(l.mass_high_g, l.mass_high_g < 10 ? 1 : 0)}`;
</script>

<p class="state" aria-live="polite">
  <b
    >{counted(read.lines.length, 'line')}: {counts.yes} understood, {counts.guessed} with a guess, {counts.open}
    open.</b
  >
</p>
{#if odd.length}
  <ul class="odd" aria-label="What is odd">
    {#each odd as c (c.line + c.say)}<li><span class="small soft">line {c.line}</span> {c.say}</li>{/each}
  </ul>
{/if}
<table class="lines">
  <thead
    ><tr
      ><th scope="col"><span class="sr-only">how it was read</span></th><th scope="col">as written</th><th
        scope="col"
        class="num">g</th
      ><th scope="col" class="num">spread</th><th scope="col">read as</th></tr
    ></thead
  >
  <tbody>
    {#each read.lines as l (l.number)}
      <tr class={l.understood}>
        <td>
          {#if l.understood === 'yes'}<span class="passes"><Check size={16} aria-hidden="true" /></span><span
              class="sr-only">understood</span
            >
          {:else if l.understood === 'guessed'}<span class="close"
              ><CircleHelp size={16} aria-hidden="true" /></span
            ><span class="sr-only">with a guess</span>
          {:else}<span class="held"><PencilLine size={16} aria-hidden="true" /></span><span class="sr-only"
              >not understood</span
            >{/if}
        </td>
        <th scope="row">{l.text}</th>
        <td class="num"><b>{grams(l)}</b></td>
        <td class="num soft">{spread(l)}</td>
        <td>
          {l.ingredient_name}
          {#each l.guesses as g (g)}<span class="guess small">{g}</span>{/each}
          {#if l.wrong}
            <span class="small held">{l.wrong}.</span>
            <input
              class="field small"
              aria-label="What is {l.name}?"
              placeholder="name it"
              onfocus={() => find(l, l.name)}
              oninput={(e) => find(l, e.currentTarget.value)}
            />
            {#if finding === l.number}
              <span class="found small"
                >{#each items as i (i.slug)}<button class="link" onclick={() => choose(l.number, i.slug)}
                    >{i.name}</button
                  >{:else}<span class="soft">no such ingredient</span>{/each}</span
              >
            {/if}
          {/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
{#each read.unread as text (text)}<p class="small held">Not read: {text}</p>{/each}
{#if alike.length}
  <details class="small">
    <summary>{counted(alike.length, 'name')} sold for something else too</summary>
    {#each alike as c (c.line + c.say)}<p>{c.say}</p>{/each}
  </details>
{/if}

<style>
  .state {
    margin: 0.6rem 0 0.2rem;
  }

  .odd li {
    margin: 0.2rem 0;
    padding: 0.3rem 0.6rem;
    border-left: 4px solid var(--held);
    background: var(--held-wash);
  }

  td,
  th {
    vertical-align: top;
  }

  .guess {
    display: block;
    color: var(--close);
  }

  .found {
    display: flex;
    flex-wrap: wrap;
    gap: 0.15rem 0.75rem;
  }

  input.field {
    display: block;
    width: 9rem;
    min-height: 26px;
  }

  details {
    margin-top: 0.5rem;
  }
</style>
