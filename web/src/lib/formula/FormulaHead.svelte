<!-- The head of the formula bench: name, how it is saved, what it is for, how wet, how many pieces. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf } from '../api/client';
  import Cell from '../bench/Cell.svelte';
  import { kitchen } from '../kitchen.svelte';
  import { SAVE_WORDS } from '../saving/autosave.svelte';
  import { notices } from '../ui/notices.svelte';
  import TitleField from '../ui/TitleField.svelte';
  import type { FormulaBench } from './formula.svelte';

  const { bench, onkeep }: { bench: FormulaBench; onkeep: () => void } = $props();
  const standing = $derived(
    bench.based_on
      ? bench.kept
        ? `revision ${bench.based_on}`
        : `draft on revision ${bench.based_on}`
      : 'first draft'
  );
  const offered = $derived(bench.judgement?.consistencies ?? []);

  async function attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }

  function takePieces(text: string): string {
    const pieces = Number(text.trim());
    if (!/^\d{1,6}$/.test(text.trim()) || pieces < 1 || pieces > 100000)
      return 'Give a whole number, 1 or more.';
    bench.set({ pieces });
    return '';
  }

  async function duplicate(): Promise<void> {
    if (!(await bench.save.flush())) throw new Error('The draft is not saved yet; try again in a moment.');
    const params = { path: { formula_id: bench.formula.id } };
    const body = { name: `${bench.formula.name}, copy`.slice(0, 120) };
    const { data } = await ask(api.POST('/api/v1/formulas/{formula_id}/duplicate', { params, body }));
    await push(`/formula/${data.formula.id}`);
    notices.say('This is the copy. The other formula stays as it was.');
  }

  const file = (kind: string): string => `/api/v1/formulas/${bench.formula.id}/export?format=${kind}`;
</script>

<div class="top">
  <TitleField
    label="Name of the formula"
    name={bench.formula.name}
    take={(name) => attempt(() => bench.saveHead({ name }))}
  />
  <button class="action main" disabled={!bench.lines.length || bench.kept} onclick={onkeep}
    >Keep revision</button
  >
</div>
<div class="standing small soft">
  <span>{standing} ·</span>
  <span class={['saved', 'saving'].includes(bench.save.state) ? '' : 'held'} role="status"
    >{SAVE_WORDS[bench.save.state]}</span
  >
  <label>
    · for
    <select
      aria-label="What it is for"
      value={bench.content.use ?? ''}
      onchange={(e) => bench.set({ use: e.currentTarget.value || null, consistency: null })}
    >
      <option value="">no use chosen</option>
      {#each kitchen.reference?.uses ?? [] as use (use.slug)}<option value={use.slug}>{use.name}</option
        >{/each}
    </select>
  </label>
  {#if offered.length > 1}
    <label>
      · as
      <select
        aria-label="Consistency"
        value={bench.judgement?.consistency ?? ''}
        onchange={(e) => bench.set({ consistency: e.currentTarget.value })}
      >
        {#each offered as c (c)}<option value={c}
            >{c === 'batter' ? 'thick batter' : `${c}${c === 'pourable' ? '' : ' dough'}`}</option
          >{/each}
      </select>
    </label>
  {/if}
  <span>· makes</span>
  <span class="pieces"
    ><Cell kind="pieces" label="Pieces" shown={String(bench.content.pieces)} take={takePieces} /></span
  >
</div>
<p class="tools small">
  {#if bench.lines.length}
    <a href="#/card/{bench.formula.id}">Card to print</a>
    <button class="link" onclick={() => attempt(duplicate)}>Duplicate</button>
    <a href={file('json')} download>Formula file</a>
    <a href={file('jsonld')} download>JSON-LD</a>
    <a href={file('markdown')} download>Markdown</a>
  {:else}
    <span class="soft">Card and files wait for the first line.</span>
  {/if}
</p>

<style>
  .top {
    display: flex;
    align-items: center;
    gap: 0.75rem;
  }

  .standing {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 0.3rem;
  }

  .pieces {
    width: 2.6rem;
  }

  select {
    max-width: 9rem;
    text-overflow: ellipsis;
    border: 1px solid transparent;
    background: transparent;
    color: var(--ink);
  }

  select:hover,
  select:focus {
    border-color: var(--line);
  }

  select option {
    background: var(--sheet);
    color: var(--ink);
  }

  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }

  .tools > * {
    min-height: 24px;
    line-height: 24px;
  }
</style>
