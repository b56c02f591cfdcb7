<!-- The head of the bench: name and use edited in place, how it is saved, the size of the batch. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf } from '../api/client';
  import { massFigure, readMass } from '../format';
  import { BLEND_LINE } from '../formula/types';
  import { EMPTY, startFormula } from '../formulas/making';
  import { kitchen } from '../kitchen.svelte';
  import { attempt } from '../ui/attempt';
  import { notices } from '../ui/notices.svelte';
  import type { Bench } from './bench.svelte';
  import Cell from './Cell.svelte';
  import HeadFrame from './HeadFrame.svelte';

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
    const { id: blend_id, name, use, brief_id } = bench.blend;
    const blend = {
      blend_id,
      revision: last?.number ?? null,
      name,
      parts: [...(last?.parts ?? bench.parts)]
    };
    await startFormula(name, { ...EMPTY, use, blend, lines: [BLEND_LINE] }, brief_id);
  }

  async function duplicate(): Promise<void> {
    if (!(await bench.save.flush())) throw new Error('The draft is not saved yet; try again in a moment.');
    const params = { path: { blend_id: bench.blend.id } };
    const body = { name: `${bench.blend.name}, copy`.slice(0, 120) };
    const { data } = await ask(api.POST('/api/v1/blends/{blend_id}/duplicate', { params, body }));
    await push(`/bench/${data.blend.id}`);
    notices.say('This is the copy. The other blend stays as it was.');
  }
</script>

<HeadFrame
  --widest="13rem"
  label="Name of the blend"
  name={bench.blend.name}
  rename={(name) => bench.saveHead({ name })}
  based_on={bench.based_on}
  kept={bench.kept}
  saved={bench.save.state}
  empty={!bench.parts.length}
  {onkeep}
  waits="Compare, print and files wait for the first flour."
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
    {#if !bench.blend.brief_id}
      <label>
        · for
        <select
          aria-label="What the mix is for"
          value={bench.blend.use ?? ''}
          onchange={(e) => attempt(() => bench.saveHead({ use: e.currentTarget.value || null }))}
        >
          <option value="">no use chosen</option>
          {#each kitchen.reference?.uses ?? [] as use (use.slug)}<option value={use.slug}>{use.name}</option
            >{/each}
        </select>
      </label>
    {/if}
  {/snippet}
  {#snippet tools()}
    <a href="#/compare/{bench.blend.id}">Compare</a>
    <a href="#/print/{bench.blend.id}">Print</a>
    <button class="link" onclick={() => attempt(toFormula)}>Make a formula</button>
    <button class="link" onclick={() => attempt(duplicate)}>Duplicate</button>
    <a href="/api/v1/blends/{bench.blend.id}/export?format=json" download>Blend file</a>
    <a href="/api/v1/blends/{bench.blend.id}/export?format=csv" download>CSV</a>
  {/snippet}
</HeadFrame>

<style>
  .batch {
    width: 4.6rem;
  }
</style>
