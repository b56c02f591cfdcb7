<!-- The text itself, as it was pasted, and beside each line on a hairline what it weighs and what it was read as. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { counted, figure } from '../ui/format';
  import Gap from '../ingredients/Gap.svelte';
  import type { Recipe } from './recipe.svelte';

  type Line = Schemas['ReadLineOut'];
  const { recipe, read }: { recipe: Recipe; read: Schemas['ReadOut'] } = $props();
  const HABITS: readonly { name: string; label: string }[] = [
    { name: 'us', label: 'US cups and eggs' },
    { name: 'uk', label: 'British spoons and eggs' },
    { name: 'au', label: 'Australian cups and spoons' },
    { name: 'ca', label: 'metric cups, American eggs' },
    { name: 'eu', label: 'European spoons and eggs' },
    { name: '', label: 'the kitchen’s own' }
  ];
  const is = (l: Line, ...as: Line['understood'][]): boolean => as.includes(l.understood);
  const counts = $derived({
    yes: read.lines.filter((l) => is(l, 'yes')).length,
    guessed: read.lines.filter((l) => is(l, 'guessed')).length,
    open: read.lines.filter((l) => is(l, 'part', 'no')).length
  });
  const odd = $derived(read.checks.filter((c) => c.kind !== 'look-alike'));
  const alike = $derived(read.checks.filter((c) => c.kind === 'look-alike'));
  const byNumber = $derived(new Map(read.lines.map((l) => [l.number, l])));
  /** Doubts by weight: what a guess could move most comes first. */
  const doubts = $derived(
    read.lines
      .filter((l) => is(l, 'guessed') && l.mass_high_g !== null)
      .map((l) => ({ l, wide: l.mass_high_g! - l.mass_low_g! }))
      .sort((a, b) => b.wide - a.wide)
      .slice(0, 5)
  );

  const places = (v: number): number => (v < 10 ? 1 : 0);
  const grams = (l: { mass_g: number | null }): string =>
    l.mass_g === null ? '?' : figure(l.mass_g, places(l.mass_g));
  const spread = (l: Line): string =>
    l.mass_low_g === null || l.mass_high_g === null || l.mass_high_g - l.mass_low_g < 0.05
      ? ''
      : `${figure(l.mass_low_g, places(l.mass_low_g))}–${figure(l.mass_high_g, places(l.mass_high_g))}`;
  const KINDS: Record<string, string> = {
    title: 'title',
    yield: 'yield',
    section: 'a component',
    step: 'step',
    note: 'note'
  };
  const MARKS: Record<Line['understood'], string> = {
    yes: 'understood',
    guessed: 'with a guess',
    part: 'not understood',
    no: 'not understood'
  };
</script>

<h2 class="how">
  {read.say}
  <select
    class="field small"
    aria-label="Whose cups and eggs"
    value={recipe.habit ?? read.habit}
    onchange={(e) => (recipe.habit = e.currentTarget.value as typeof recipe.habit)}
  >
    {#each HABITS as h (h.name)}<option value={h.name}>{h.label}</option>{/each}
  </select>
</h2>
<p class="state soft" aria-live="polite">
  {counted(read.lines.length, 'line')}: {counts.yes} understood, {counts.guessed} with a guess, {counts.open} open.
</p>
{#if odd.length}
  <ul class="odd" aria-label="What is odd">
    {#each odd as c (c.line + c.say)}<li><span class="small soft">line {c.line}</span> {c.say}</li>{/each}
  </ul>
{/if}
<table class="text">
  <caption class="sr-only">The recipe as it was pasted, and what each line was read as</caption>
  <thead class="small soft"
    ><tr
      ><th scope="col">as pasted</th><th scope="col" class="num">g</th><th scope="col" class="num">range</th
      ><th scope="col">read as</th></tr
    ></thead
  >
  <tbody>
    {#each read.rows as row (row.number)}
      {@const l = byNumber.get(row.number)}
      <tr class="{row.kind} {l?.understood ?? ''}">
        <th scope="row"
          ><span class="hung"
            ><span class="said">{row.text}</span><span class="hair" aria-hidden="true"></span></span
          ></th
        >
        <td class="num">{l ? grams(l) : ''}</td>
        <td class="num soft">{l ? spread(l) : ''}</td>
        <td>
          {#if l}
            <span class="sr-only">{MARKS[l.understood]}</span>
            {#if l.wrong && !l.ingredient}<Gap
                name={l.name}
                wrong={l.wrong}
                near={l.near}
                otherwise="Else it stays in words."
                choose={(slug) => recipe.choose(l.number, slug)}
              />
            {:else}{l.ingredient_name}{#if !l.in_dough}<span class="soft">, not in the dough</span>{/if}
              {#each l.also as a (a.ingredient_name)}
                <br />and {a.mass_g === null ? '' : `${grams(a)} g `}{a.ingredient_name}
              {/each}
              {#if l.wrong}<span class="small soft wrong">{l.wrong} Else it stays in words.</span>{/if}
            {/if}
          {:else}<span class="soft">{KINDS[row.kind]}</span>{/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
{#if doubts.length}
  <section aria-label="Doubts">
    <h3>{doubts.length === 1 ? 'One doubt' : 'Doubts, the heaviest first'}</h3>
    <ul>
      {#each doubts as { l } (l.number)}
        <li>
          <b>{spread(l) || grams(l)} g</b>
          {l.text}<span class="small soft">: {l.guesses.join('; ')}</span>
        </li>
      {/each}
    </ul>
  </section>
{/if}
{#if alike.length}
  <details class="small">
    <summary>{counted(alike.length, 'name')} sold for something else too</summary>
    {#each alike as c (c.line + c.say)}<p>{c.say}</p>{/each}
  </details>
{/if}

<style>
  .wrong {
    display: block;
  }
  .how {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 0.75rem;
    align-items: center;
    margin: 0.75rem 0 0;
  }

  .state {
    margin: 0.1rem 0 0.4rem;
  }

  .odd li {
    margin: 0.2rem 0;
    padding: 0.3rem 0.6rem;
    border-left: 4px solid var(--held);
    background: var(--held-wash);
  }

  .text {
    width: 100%;
    border-collapse: collapse;
    table-layout: fixed;
  }

  th:first-child {
    width: 46%;
  }

  .text :is(th, td):nth-child(2) {
    width: 3.2rem;
  }

  .text :is(th, td):nth-child(3) {
    width: 5.4rem;
  }

  td,
  th {
    padding: 0.1rem 0.5rem 0.1rem 0;
    font-weight: 400;
    text-align: left;
    vertical-align: baseline;
  }

  .num {
    text-align: right;
    white-space: nowrap;
  }

  tbody th {
    padding-left: 0.75rem;
    background: var(--sheet);
  }

  .hung {
    display: flex;
    gap: 0.4rem;
    align-items: baseline;
  }

  .hair {
    flex: 1;
    min-width: 0.5rem;
    border-bottom: 1px solid var(--hairline);
  }

  .title .said,
  .section .said {
    font-weight: 700;
  }

  .section th {
    padding-top: 0.5rem;
  }

  .guessed .said {
    text-decoration: underline dotted var(--close) 2px;
    text-underline-offset: 3px;
  }

  :is(.part, .no) .said {
    text-decoration: underline dashed var(--held) 2px;
    text-underline-offset: 3px;
  }

  h3 {
    margin: 0.9rem 0 0.2rem;
  }

  details {
    margin-top: 0.5rem;
  }

  @media (max-width: 600px) {
    .text :is(th, td):nth-child(3) {
      display: none;
    }

    th:first-child {
      width: 50%;
    }
  }
</style>
