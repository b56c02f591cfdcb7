<!-- What a table said, read from a metre: the verdict, a strip a sample, then leads told as leads. -->
<script lang="ts">
  import type { Result as Told, Tasting } from '../types';
  import Counts from './Counts.svelte';
  import Leads from './Leads.svelte';
  import Numbers from './Numbers.svelte';
  import Places from './Places.svelte';
  import Resting from './Resting.svelte';
  import Strips from './Strips.svelte';

  interface Props {
    tasting: Tasting;
    result: Told;
    seat: number;
  }
  const { tasting: t, result, seat }: Props = $props();
  const told = $derived(result.told);
  /** The first sentence stands out; the rest of the verdict follows in the same size. */
  const parts = $derived.by(() => {
    const text = told?.verdict ?? result.trouble;
    const at = text.search(/[.:] /);
    return at < 0 ? [text, ''] : [text.slice(0, at + 1), text.slice(at + 2)];
  });
  const dropped = $derived(t.mats.filter((m) => m.dropped));
</script>

<section class="result" aria-label="What the table said">
  <div class="verdict" data-verdict>
    <h2>{parts[0]}</h2>
    {#if parts[1]}<p>{parts[1]}</p>{/if}
  </div>
  {#if told}
    {#if t.asked.main === 'liking'}
      <Strips tasting={t} {told} marks={result.marks} {seat} />
    {:else if t.asked.main === 'ranking'}
      <Places tasting={t} {told} marks={result.marks} />
    {:else}
      <Counts {told} />
    {/if}
    {#if result.with_dropped && dropped.length}
      <p class="small dropped">
        Without seat {dropped.map((m) => `${m.number} (${m.dropped})`).join(', ')}. With it: {result
          .with_dropped.verdict}
      </p>
    {/if}
  {/if}
  <Leads {result} />
  {#if told}
    <p class="foot">
      {told.foot}
      {#if told.tasters_next && t.asked.main === 'liking'}
        To see {t.asked.worth}
        {t.asked.worth === 1 ? 'point' : 'points'} next time: about {told.tasters_next} tasters{told.tasters_between
          ? ` (${told.tasters_between[0]} to ${told.tasters_between[1]})`
          : ''}.
      {:else if told.tasters_next}
        Next time: about {told.tasters_next} tasters.
      {/if}
      {#if t.late}{t.late}
        {t.late === 1 ? 'answer' : 'answers'} came late and {t.late === 1 ? 'is' : 'are'} not counted.{/if}
    </p>
    <Resting tasting_id={t.id} />
    <Numbers {told} />
  {/if}
  <p class="small files">
    <a href="/api/v1/tastings/{t.id}/export" download>Answers as CSV</a>
    <a href="#/plating/{t.id}">Plating sheet</a>
    {#if t.samples.some((s) => s.about)}
      {#each t.samples.filter((s) => s.about) as s (s.number)}<a href="#/trial/{s.about}">{s.name}</a>{/each}
    {/if}
    <a href="#/method/tastings">How it is worked out</a>
  </p>
</section>

<style>
  .result {
    padding: 1rem 1.5rem 1.5rem;
    background: var(--sheet);
    min-width: 0;
  }

  .verdict {
    font-size: 1.75rem;
    line-height: 1.25;
    margin-bottom: 1.7rem;
  }

  h2 {
    margin: 0;
    font-size: 2.1rem;
    line-height: 1.2;
  }

  .verdict p {
    margin: 0.2rem 0 0;
  }

  .dropped {
    color: var(--close);
  }

  .foot {
    margin: 0.9rem 0 0.3rem;
  }

  .files {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1.2rem;
    margin-top: 1rem;
  }

  @media (max-width: 560px) {
    .result {
      padding: 0.9rem;
    }

    .verdict {
      font-size: 1.35rem;
    }

    h2 {
      font-size: 1.6rem;
    }
  }
</style>
