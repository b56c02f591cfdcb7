<!-- The head of the formula bench: name, how it is saved, what it is for, how wet, how many pieces. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask } from '../api/client';
  import Cell from '../bench/Cell.svelte';
  import HeadFrame from '../bench/HeadFrame.svelte';
  import { kitchen } from '../kitchen.svelte';
  import { attempt } from '../ui/attempt';
  import { notices } from '../ui/notices.svelte';
  import type { FormulaBench } from './formula.svelte';

  const { bench, onkeep }: { bench: FormulaBench; onkeep: () => void } = $props();
  const offered = $derived(bench.judgement?.consistencies ?? []);

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

<HeadFrame
  label="Name of the formula"
  name={bench.formula.name}
  rename={(name) => bench.saveHead({ name })}
  based_on={bench.based_on}
  kept={bench.kept}
  saved={bench.save.state}
  empty={!bench.lines.length}
  {onkeep}
  waits="Card and files wait for the first line."
>
  {#snippet facts()}
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
    <span class="makes">
      · makes
      <span class="pieces"
        ><Cell kind="pieces" label="Pieces" shown={String(bench.content.pieces)} take={takePieces} /></span
      >
    </span>
  {/snippet}
  {#snippet tools()}
    <a href="#/card/{bench.formula.id}">Card to print</a>
    <button class="link" onclick={() => attempt(duplicate)}>Duplicate</button>
    <a href={file('json')} download>Formula file</a>
    <a href={file('jsonld')} download>JSON-LD</a>
    <a href={file('markdown')} download>Markdown</a>
  {/snippet}
</HeadFrame>

<style>
  .makes {
    display: inline-flex;
    align-items: center;
    gap: 0.3rem;
  }

  .pieces {
    width: 2.6rem;
  }
</style>
