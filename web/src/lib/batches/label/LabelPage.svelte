<!-- The label of a batch: left at its true size, right its proof, what is held first, each line with its evidence. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { day } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { remembered } from '../../ui/state/remembered';
  import Sheet from '../../ui/Sheet.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import { loadBatch } from '../doing';
  import type { Batch } from '../types';
  import Choices from './Choices.svelte';
  import ProofLines from './ProofLines.svelte';

  const { params }: { params: { id: string } } = $props();
  const id = $derived(Number(params.id));
  const kept = remembered('label', { scheme: 'eu', language: '', size: 'bag-100x150', portion: '' });
  let asked = $state(kept.read());
  let formula = $state<number | undefined>();
  let batch = $state.raw<Batch | null>(null);
  let proof = $state.raw<Schemas['ProofOut'] | null>(null);
  let choices = $state.raw<Schemas['ChoicesOut'] | null>(null);
  let picture = $state('');
  let misfit = $state('');
  let trouble = $state('');
  let checking = $state(false);
  let evidence = $state('');
  const portion_g = $derived(Number(asked.portion.replace(',', '.')) || undefined);
  const by = $derived({ scheme: asked.scheme, language: asked.language, size: asked.size });
  const query = $derived(
    new URLSearchParams({ ...by, ...(portion_g ? { portion_g: String(portion_g) } : {}) }).toString()
  );
  const size = $derived(choices?.sizes.find((s) => s.name === asked.size));
  const said = $derived(
    proof?.lines
      .map((l) => l.text)
      .filter(Boolean)
      .join(' ') ?? ''
  );
  const bags = $derived(batch?.bags.filter((b) => b.left_g > 0).length ?? 0);

  async function load(): Promise<void> {
    try {
      const of = { path: { batch_id: id } };
      batch = await loadBatch(id);
      proof = (
        await ask(
          api.GET('/api/v1/batches/{batch_id}/label', {
            params: { ...of, query: { ...by, portion_g, formula } }
          })
        )
      ).data;
      const drawn = await fetch(`/api/v1/batches/${id}/label.svg?${query}`);
      misfit = drawn.ok ? '' : ((await drawn.json()) as { detail: string }).detail;
      picture = drawn.ok ? await drawn.text() : '';
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  function choose(change: Partial<typeof asked>): void {
    asked = { ...asked, ...change };
    kept.keep({ ...asked });
  }

  async function note(kind: 'printed' | 'checked'): Promise<void> {
    const body = { ...by, kind, evidence, bag_g: null };
    const params = { path: { batch_id: id } };
    proof = (await ask(api.POST('/api/v1/batches/{batch_id}/labels', { params, body }))).data;
  }

  const check = (event: Event): void => {
    event.preventDefault();
    void attempt(async () => {
      await note('checked');
      checking = false;
      await load();
    });
  };

  onMount(() =>
    attempt(async () => {
      if (!kept.isKept()) {
        const { scheme, language } = (await ask(api.GET('/api/v1/kitchen/ahead'))).data.ahead;
        asked = { ...asked, scheme, language };
      }
      choices = (await ask(api.GET('/api/v1/labels/choices'))).data;
    })
  );
  loadOn(() => [id, query, formula], load);
</script>

{#if trouble && !proof}
  <Trouble say={trouble} again={load} />
{:else if proof && batch}
  <div class="sides">
    <section class="left" aria-label="The label">
      <h2>Label of a bag</h2>
      <p class="small soft">
        {#if size}true size, {size.width_mm} mm × {size.height_mm} mm;{/if}
        what is held does not print
      </p>
      {#if picture}
        <div class="label" role="img" aria-label="The label as it prints: {said}">
          <!-- eslint-disable-next-line svelte/no-at-html-tags -- as the kitchen itself drew it, every text escaped -->
          {@html picture}
        </div>
      {:else}<p class="held" role="alert">■ {misfit}</p>{/if}
      <div class="ruler" aria-hidden="true"><i></i></div>
      <p class="small soft">Lay a rule on the paper: this line has to be 50 mm.</p>
    </section>
    <section class="right" aria-label="The proof">
      <p class="small soft"><a href="#/batch/{batch.id}">{batch.name} {batch.code}</a></p>
      <h1 data-says class:held={proof.say.startsWith('Held')}>{proof.say}</h1>
      {#if choices}<Choices
          {choices}
          {asked}
          {choose}
          formulas={proof.formulas}
          {formula}
          on={(n) => (formula = n)}
        />{/if}
      <ProofLines lines={proof.proof} />
      <p class="small">
        Law is quoted from memory and differs from place to place: check locally. A mean hides hot spots of
        gluten.
      </p>
      <div class="foot no-print">
        <a
          class="action main"
          class:disabled={!picture}
          href={picture ? `/api/v1/batches/${id}/label.pdf?${query}` : undefined}
          onclick={() => void attempt(() => note('printed'))}
          download>PDF of {bags > 1 ? `${bags} bags` : 'the label'}</a
        >
        <button class="action" onclick={() => (checking = true)}>Record checked</button>
        <span class="small soft">
          {proof.checked
            ? `Checked ${proof.checked}.`
            : 'Nobody has checked it yet: it prints as a draft; local law decides.'}
        </span>
      </div>
      {#if proof.printed.length}
        <details>
          <summary>Printed and checked, {proof.printed.length}</summary>
          <ul>
            {#each proof.printed as p, n (n)}
              <li>
                {day(p.at.slice(0, 10))}
                {p.kind}, {choices?.schemes[p.scheme] ?? p.scheme}{p.evidence ? `: ${p.evidence}` : ''}
              </li>
            {/each}
          </ul>
        </details>
      {/if}
    </section>
  </div>
{:else}
  <p class="soft" role="status">Setting the type …</p>
{/if}

<Sheet open={checking} title="Record that the label was checked" onclose={() => (checking = false)}>
  <form onsubmit={check}>
    <p>By which evidence? A laboratory’s number, a competent person’s sheet. No name is kept.</p>
    <label><span class="sr-only">Evidence</span><input class="field" required bind:value={evidence} /></label>
    <button class="action main">Record it</button>
  </form>
</Sheet>

<style>
  .sides {
    display: grid;
    grid-template-columns: auto minmax(0, 1fr);
    min-height: calc(100vh - var(--bar));
  }

  .left,
  .right {
    min-width: 0;
    padding: 0.9rem 1.25rem;
  }

  .left {
    min-width: 430px;
    border-right: 1px solid var(--hairline);
  }

  .right {
    background: var(--sheet);
  }

  .label :global(svg) {
    display: block;
    max-width: 100%;
    height: auto;
    margin: 0.5rem 0 0.75rem;
    border: 1px solid var(--ink);
    background: #fff;
  }

  .ruler {
    width: 50mm;
    height: 10px;
    border: 1px solid var(--ink);
    border-top: 0;
    background: repeating-linear-gradient(90deg, var(--ink) 0 1px, transparent 1px 10mm) 0 0 / auto 6px
      no-repeat;
  }

  h1 {
    margin: 0.1rem 0 0.5rem;
  }

  .foot {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.75rem;
    margin: 0.75rem 0;
  }

  .foot .action {
    min-height: 44px;
  }

  .disabled {
    opacity: 0.5;
  }

  @media (max-width: 1000px) {
    .sides {
      grid-template-columns: minmax(0, 1fr);
    }

    .left {
      min-width: 0;
    }
  }
</style>
