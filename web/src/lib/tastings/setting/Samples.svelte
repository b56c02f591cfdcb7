<!-- What is tasted: trials that were baked, or a bought product with what its bag says. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '../../api/client';
  import MiniColumn from '../../blends/column/MiniColumn.svelte';
  import { day } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { spaced, type SampleIn, type SampleSeen, type Tasting } from '../types';
  import BagSheet from './BagSheet.svelte';
  import { numbered, withoutSample, type Draft } from './draft';

  interface Props {
    tasting: Tasting;
    draft: Draft;
    change: (make: (now: Draft) => Draft) => void;
  }
  const { tasting: t, draft, change }: Props = $props();
  let trials = $state.raw<readonly Schemas['TrialStanding'][]>([]);
  let chosen = $state('');
  let bag = $state(false);

  function add(sample: Omit<SampleIn, 'number'>): void {
    change((d) => ({ ...d, samples: numbered([...d.samples, { ...sample, number: 0 }]) }));
  }

  function addTrial(): void {
    const trial = trials.find((x) => String(x.id) === chosen);
    if (!trial) return;
    add({
      kind: 'trial',
      about: trial.id,
      name: trial.name,
      because: '',
      lot: '',
      marks: [],
      complete: false,
      gluten: 'unknown'
    });
    chosen = '';
  }

  /** Gluten is told with what is on the bag or in the mix; a sample is never called free of it. */
  const holds = (s: SampleSeen): string =>
    [
      s.marks.length ? `contains ${s.marks.map(spaced).join(', ')}` : 'no allergen recorded',
      s.gluten === 'contains'
        ? 'contains gluten'
        : s.gluten === 'unknown'
          ? 'gluten not known'
          : 'gluten values known',
      s.complete ? '' : 'not all of it is known'
    ]
      .filter(Boolean)
      .join('; ');

  function filling(number: number, text: string): void {
    const marks = text
      .toLowerCase()
      .split(/[,;]/)
      .map((m) => m.trim().replace(/\s+/g, '-'))
      .filter((m) => /^[a-z][a-z-]+$/.test(m));
    change((d) => ({ ...d, samples: d.samples.map((s) => (s.number === number ? { ...s, marks } : s)) }));
  }

  onMount(() =>
    attempt(async () => {
      trials = (await ask(api.GET('/api/v1/trials', { params: { query: { limit: 100 } } }))).data.items;
    })
  );
</script>

<section>
  <h2>What is tasted</h2>
  <ul>
    {#each t.samples as s (s.number)}
      <li class:refused={s.refused}>
        {#if s.parts.length}<MiniColumn layers={s.parts} height={56} width={20} />{/if}
        <div>
          <b>{s.name}</b>
          {#if s.because}<span class="small soft">{s.because}</span>{/if}
          <span class="small" class:held={s.gluten === 'contains'}>{holds(s)}</span>
          {#if s.refused}<span class="small held">Not tasted: {s.refused}.</span>{/if}
          {#if s.kind === 'trial'}
            <label class="small soft"
              >on or in it, allergens
              <input
                class="filling"
                value={s.more.map(spaced).join(', ')}
                placeholder="butter: milk"
                onchange={(e) => filling(s.number, e.currentTarget.value)}
              /></label
            >
          {/if}
        </div>
        <button class="link small" onclick={() => change((d) => withoutSample(d, s.number))}
          >take off<span class="sr-only"> {s.name}</span></button
        >
      </li>
    {:else}
      <li class="small soft">
        Two to eight; five are enough for one sitting. A trial may stand twice, as a check.
      </li>
    {/each}
  </ul>
  {#if draft.samples.length < 8}
    <div class="row">
      <label
        ><span class="sr-only">Trial to taste</span>
        <select bind:value={chosen} onchange={addTrial}>
          <option value="">Add a trial …</option>
          {#each trials as x (x.id)}<option value={String(x.id)}>{x.name}, {day(x.baked_on)}</option>{/each}
        </select></label
      >
      <button class="action" onclick={() => (bag = true)}>A bought one …</button>
    </div>
  {/if}
</section>
<BagSheet open={bag} asked={t.asked_about} onclose={() => (bag = false)} {add} />

<style>
  h2 {
    margin: 0 0 0.4rem;
    font-size: var(--lead);
  }

  li {
    display: flex;
    gap: 0.7rem;
    padding: 0.5rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  li > div {
    flex: 1;
    display: grid;
    min-width: 0;
  }

  .held {
    color: var(--held);
  }

  .refused b {
    color: var(--soft);
    text-decoration: line-through;
  }

  .filling {
    min-height: 30px;
    width: 9rem;
    padding: 0 0.35rem;
    border: 1px solid var(--hairline);
    background: transparent;
    font-size: inherit;
  }

  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 0.6rem;
  }

  select {
    min-height: 40px;
    max-width: 15rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
    padding: 0 0.5rem;
  }
</style>
