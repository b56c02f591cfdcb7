<!-- The head of the bench: name and use edited in place, how it is saved, the size of the batch. -->
<script lang="ts">
  import { wordsOf } from '../../api/client';
  import { massFigure, readMass } from '../../ui/format';
  import { BLEND_LINE } from '../../formulas/types';
  import { EMPTY, startFormula, wetted } from '../../formulas/making';
  import { kitchen } from '../../app/kitchen.svelte';
  import { attempt } from '../../ui/state/attempt';
  import type { Bench } from './bench.svelte';
  import Cell from '../../ui/cell/Cell.svelte';
  import Head from '../../document/Head.svelte';

  interface Props {
    bench: Bench;
    onkeep: () => void;
  }
  const { bench, onkeep }: Props = $props();
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');

  async function takeBatch(text: string): Promise<string> {
    const mass_g = readMass(text, unit);
    if (mass_g === null) return `Give the batch in ${unit}, over 0.`;
    try {
      await bench.scaleTo(mass_g);
      return '';
    } catch (error) {
      return wordsOf(error);
    }
  }

  /** Goes on to the next stage: a formula on the newest kept revision, or on the draft where none is kept. */
  async function toFormula(): Promise<void> {
    const last = bench.revisions.at(-1);
    const { id: blend_id, name, brief_id } = bench.head;
    const { parts, use } = last?.content ?? bench.content;
    const blend = { blend_id, revision: last?.number ?? null, name, parts };
    const content = { ...EMPTY, use, blend, lines: [BLEND_LINE] };
    const whole = bench.judgement?.bag.kind === 'complete';
    await startFormula(name, whole ? await wetted(content) : content, brief_id);
  }
</script>

<Head
  --widest="13rem"
  {bench}
  {onkeep}
  waits="Compare, print and files wait for the first flour."
  files={[
    { label: 'Blend file', format: 'json' },
    { label: 'CSV', format: 'csv' }
  ]}
>
  {#snippet facts()}
    <span>· batch</span>
    <span class="batch">
      <Cell
        kind="batch"
        mass={unit}
        label="Batch, {unit}"
        shown={massFigure(bench.mass_g, unit)}
        take={takeBatch}
      />
    </span>
    <span>{unit}</span>
    {#if !bench.head.brief_id}
      <label>
        · for
        <select
          aria-label="What the mix is for"
          value={bench.use ?? ''}
          onchange={(e) => bench.set({ use: e.currentTarget.value || null })}
        >
          <option value="">no use chosen</option>
          {#each kitchen.reference?.uses ?? [] as use (use.slug)}<option value={use.slug}>{use.name}</option
            >{/each}
        </select>
      </label>
    {/if}
  {/snippet}
  {#snippet tools()}
    <a href="#/compare/{bench.head.id}">Compare</a>
    <a href="#/print/{bench.head.id}">Print</a>
    <button class="link" onclick={() => attempt(toFormula)}>Make a formula</button>
  {/snippet}
</Head>

<style>
  .batch {
    width: 4.6rem;
  }
</style>
