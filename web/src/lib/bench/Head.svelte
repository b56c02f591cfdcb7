<!-- The head of the bench: name and use edited in place, how it is saved, the size of the batch. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf } from '../api/client';
  import { massFigure, readMass } from '../format';
  import { EMPTY, startFormula } from '../formulas/making';
  import { kitchen } from '../kitchen.svelte';
  import { SAVE_WORDS } from '../saving/autosave.svelte';
  import { notices } from '../ui/notices.svelte';
  import TitleField from '../ui/TitleField.svelte';
  import type { Bench } from './bench.svelte';
  import Cell from './Cell.svelte';

  interface Props {
    bench: Bench;
    onkeep: () => void;
  }
  const { bench, onkeep }: Props = $props();
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const standing = $derived(
    bench.based_on
      ? bench.kept
        ? `revision ${bench.based_on}`
        : `draft on revision ${bench.based_on}`
      : 'first draft'
  );

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

  async function attempt(work: () => Promise<void>): Promise<void> {
    try {
      await work();
    } catch (error) {
      notices.say(wordsOf(error), true);
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
    const line = { ingredient: '@blend', mass_g: 500, stage: 'dry', note: '' };
    await startFormula(name, { ...EMPTY, use, blend, lines: [line] }, brief_id);
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

<div class="top">
  <TitleField
    label="Name of the blend"
    name={bench.blend.name}
    take={(name) => attempt(() => bench.saveHead({ name }))}
  />
  <button class="action main" disabled={!bench.parts.length || bench.kept} onclick={onkeep}
    >Keep revision</button
  >
</div>
<div class="standing small">
  <span class="soft">{standing} · </span>
  <span
    class={bench.save.state === 'saved' ? 'soft' : bench.save.state === 'saving' ? 'soft' : 'held'}
    role="status"
  >
    {SAVE_WORDS[bench.save.state]}
  </span>
  <span class="soft">· batch</span>
  <span class="batch">
    <Cell
      kind="batch"
      mass={unit}
      label="Batch, {unit}"
      shown={massFigure(bench.mass_g, unit)}
      take={takeBatch}
    />
  </span>
  <span class="soft">{unit}</span>
  {#if !bench.blend.brief_id}
    <label class="soft">
      · for
      <select
        class="use"
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
</div>
<p class="tools small">
  {#if bench.parts.length}
    <a href="#/compare/{bench.blend.id}">Compare</a>
    <a href="#/print/{bench.blend.id}">Print</a>
    <button class="link" onclick={() => attempt(toFormula)}>Make a formula</button>
    <button class="link" onclick={() => attempt(duplicate)}>Duplicate</button>
    <a href="/api/v1/blends/{bench.blend.id}/export?format=json" download>Blend file</a>
    <a href="/api/v1/blends/{bench.blend.id}/export?format=csv" download>CSV</a>
  {:else}
    <span class="soft">Compare, print and files wait for the first flour.</span>
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

  .batch {
    width: 4.6rem;
  }

  .use {
    max-width: 13rem;
    border: 1px solid transparent;
    background: transparent;
    color: var(--ink);
  }

  .use:hover,
  .use:focus {
    border-color: var(--line);
  }

  .use option {
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
