<!-- What was noted: steps that are done, each weighing with its slip voided, notes. -->
<script lang="ts">
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';
  import { noteStep, voidWeighing } from '../doing';
  import { grams, type Batch } from '../types';

  const { batch, changed }: { batch: Batch; changed: (next: Batch) => void } = $props();
  const KINDS = [
    ['sieve', 'sieved'],
    ['premix', 'pre-mixed'],
    ['mix', 'mixed'],
    ['rest', 'rested'],
    ['clean', 'line cleaned'],
    ['after-gluten', 'line ran a gluten cereal before'],
    ['gluten-test', 'gluten test of this mix'],
    ['may-contain', 'may contain'],
    ['note', 'note']
  ] as const;
  let test = $state({ mg_per_kg: '', method: '', on: '', detection_mg_per_kg: '' });
  let may = $state('');

  /** What is said with a step, as the label reads it. */
  function said(): Record<string, string | number> {
    if (kind === 'may-contain') return { name: may };
    if (kind !== 'gluten-test') return {};
    const number = (text: string): number => Number(text.replace(',', '.'));
    const kept: Record<string, string | number> = { method: test.method.trim(), on: test.on };
    for (const name of ['mg_per_kg', 'detection_mg_per_kg'] as const)
      if (test[name].trim()) kept[name] = number(test[name]);
    return kept;
  }
  // svelte-ignore state_referenced_locally
  let open = $state(batch.state === 'weighing' || batch.state === 'blended');
  let kind = $state<(typeof KINDS)[number][0]>('mix');
  let minutes = $state('');
  let note = $state('');
  let voiding = $state('');
  let why = $state('');
  const nameOf = (slug: string): string => batch.parts.find((p) => p.ingredient === slug)?.name ?? slug;
  const word = (k: string): string => KINDS.find(([n]) => n === k)?.[1] ?? k;

  async function add(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      const spent = minutes.trim() ? Number(minutes.replace(',', '.')) : null;
      changed(await noteStep(batch, { kind, minutes: spent, said: said(), note }));
      [minutes, note, may] = ['', '', ''];
    });
  }

  async function take(event: Event): Promise<void> {
    event.preventDefault();
    await attempt(async () => {
      changed(await voidWeighing(batch, voiding, why));
      [voiding, why] = ['', ''];
    });
  }
</script>

<details bind:open>
  <summary
    >Record: {batch.weighings.length} weighings, {batch.steps.length}
    {batch.steps.length === 1 ? 'step' : 'steps'}</summary
  >
  <ul>
    {#each batch.weighings as w (w.key)}
      <li class:gone={!w.counts}>
        <span class="num">{w.at.slice(11, 16)}</span>
        <span>
          {w.is_void ? 'voided: ' : ''}{nameOf(w.ingredient)}
          {grams(w.net_g, Number(batch.making.step_g))} g {w.lot_code ? `from ${w.lot_code}` : ''}{w.typed
            ? ', typed'
            : ''}{w.why ? ` (${w.why})` : ''}
        </span>
        {#if w.counts && batch.state === 'weighing'}
          <button class="link" onclick={() => (voiding = w.key)}>Void</button>
        {/if}
      </li>
    {/each}
    {#each batch.steps as s, n (n)}
      <li>
        <span class="num">{s.at.slice(11, 16)}</span>
        <span>{word(s.kind)}{s.minutes ? `, ${s.minutes} min` : ''}{s.note ? `: ${s.note}` : ''}</span>
      </li>
    {/each}
  </ul>
  <p class="small no-print">
    As tables:
    {#each ['weighings', 'bags', 'moves'] as name (name)}
      <a href="/api/v1/batches/{batch.id}/export?format={name}" download>{name}</a>
    {/each}
  </p>
  <form class="no-print" onsubmit={add}>
    <label>
      <span class="sr-only">What was done</span>
      <select class="field" bind:value={kind}
        >{#each KINDS as [n, w] (n)}<option value={n}>{w}</option>{/each}</select
      >
    </label>
    {#if kind === 'gluten-test'}
      <label
        ><span class="sr-only">mg/kg</span><input
          class="field num"
          required
          inputmode="decimal"
          placeholder="mg/kg"
          bind:value={test.mg_per_kg}
        /></label
      >
      <label
        ><span class="sr-only">Limit of detection, mg/kg</span><input
          class="field num"
          inputmode="decimal"
          placeholder="finds from"
          bind:value={test.detection_mg_per_kg}
        /></label
      >
      <label class="grow"
        ><span class="sr-only">Method</span><input
          class="field"
          required
          placeholder="method, as the report names it"
          bind:value={test.method}
        /></label
      >
      <label
        ><span class="sr-only">Day of the test</span><input
          class="field"
          type="date"
          required
          bind:value={test.on}
        /></label
      >
    {:else if kind === 'may-contain'}
      <label class="grow"
        ><span class="sr-only">What it may contain</span><input
          class="field"
          required
          placeholder="what, as sesame"
          bind:value={may}
        /></label
      >
    {/if}
    <label
      ><span class="sr-only">Minutes</span><input
        class="field num"
        placeholder="min"
        bind:value={minutes}
      /></label
    >
    <label class="grow"
      ><span class="sr-only">Note</span><input class="field" placeholder="note" bind:value={note} /></label
    >
    <button class="action">Note it</button>
  </form>
</details>

<Sheet open={voiding !== ''} title="Void a weighing" onclose={() => (voiding = '')}>
  <form onsubmit={take}>
    <p>It stays on record, with why; its flour goes back to its lot.</p>
    <label><span>Why</span> <input class="field" required bind:value={why} /></label>
    <button class="action main">Void it</button>
  </form>
</Sheet>

<style>
  details {
    margin-top: 1rem;
  }

  summary {
    cursor: pointer;
    font-weight: 600;
  }

  li {
    display: grid;
    grid-template-columns: 3.2rem 1fr auto;
    gap: 0.5rem;
    padding: 0.15rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .gone {
    color: var(--soft);
    text-decoration: line-through;
  }

  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    margin-top: 0.5rem;
  }

  form .num {
    width: 4rem;
  }

  .grow {
    flex: 1;
  }

  .grow .field {
    width: 100%;
  }
</style>
