<!-- The head of the formula bench: name, how it is saved, what it is for, how wet, how many pieces. -->
<script lang="ts">
  import Cell from '../../ui/cell/Cell.svelte';
  import Head from '../../document/Head.svelte';
  import { kitchen } from '../../app/kitchen.svelte';
  import type { Content } from '../types';
  import type { FormulaBench } from './formula.svelte';

  const { bench, onkeep }: { bench: FormulaBench; onkeep: () => void } = $props();
  const offered = $derived(bench.judgement?.consistencies ?? []);

  /** A dough's consistency, or a sauce's. */
  const SAUCES: Record<string, string> = {
    pourable: 'thin sauce',
    batter: 'coating sauce',
    soft: 'thick sauce',
    stiff: 'setting'
  };
  function named(consistency: string): string {
    if (bench.judgement?.thickening) return SAUCES[consistency] ?? consistency;
    if (consistency === 'batter') return 'thick batter';
    return consistency === 'pourable' ? consistency : `${consistency} dough`;
  }

  function takePieces(text: string): string {
    const pieces = Number(text.trim());
    if (!/^\d{1,6}$/.test(text.trim()) || pieces < 1 || pieces > 100000)
      return 'Give a whole number, 1 or more.';
    bench.set({ pieces });
    return '';
  }
</script>

<Head
  {bench}
  {onkeep}
  waits="Card and files wait for the first line."
  files={[
    { label: 'Formula file', format: 'json' },
    { label: 'JSON-LD', format: 'jsonld' },
    { label: 'Markdown', format: 'markdown' }
  ]}
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
          onchange={(e) => bench.set({ consistency: e.currentTarget.value as Content['consistency'] })}
        >
          {#each offered as c (c)}<option value={c}>{named(c)}</option>{/each}
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
    <a href="#/card/{bench.head.id}">Card to print</a>
    <a href="#/plan/{bench.head.id}">Plan it</a>
    <a href="#/bake/{bench.head.id}">Bake it</a>
    <a href="#/family/{bench.head.id}">Bakes and family</a>
  {/snippet}
</Head>

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
