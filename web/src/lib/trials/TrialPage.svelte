<!-- A trial: its day as a column, how it went in one sentence, its measures as sieves, its marks with why. -->
<script lang="ts">
  import { api, ask, wordsOf } from '../api/client';
  import { current } from '../app/current.svelte';
  import { loadOn } from '../ui/state/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import Again from './page/Again.svelte';
  import DayColumn from './page/DayColumn.svelte';
  import Days from './page/Days.svelte';
  import Faults from './page/Faults.svelte';
  import Files from './page/Files.svelte';
  import MeasureIt from './page/MeasureIt.svelte';
  import Measures from './page/Measures.svelte';
  import Noted from './page/Noted.svelte';
  import Photos from './page/Photos.svelte';
  import TrialHead from './page/TrialHead.svelte';
  import type { Trial } from './types';

  const { params }: { params: { id: string } } = $props();
  const id = $derived(Number(params.id));
  let trial = $state.raw<Trial | null>(null);
  let version = $state('');
  let trouble = $state('');
  let measuring = $state(false);

  async function load(trial_id: number): Promise<void> {
    trouble = '';
    try {
      const found = await ask(api.GET('/api/v1/trials/{trial_id}', { params: { path: { trial_id } } }));
      trial = found.data;
      version = found.version;
      current.brief = null;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  const again = (): Promise<void> => load(id);
  loadOn(() => id, load);
</script>

<!-- What was noted on a phone meanwhile is there when one looks again. -->
<svelte:window onfocus={() => void again()} />

{#if trouble}
  <Trouble say={trouble} {again} />
{:else if trial}
  <div class="page">
    <TrialHead {trial} {version} changed={again} />
    {#if trial.readings.length === 0}
      <p class="lead">
        No bake yet. Start with this formula's plan: note each moment on the sheet, or take it as planned.
      </p>
    {:else}
      <p class="lead" data-went>{trial.told.say}</p>
      {#if trial.told.state}<p class="state" data-stands>{trial.told.state}</p>{/if}
    {/if}
    <div class="two">
      <DayColumn {trial} />
      <div class="right">
        <Measures trial_id={id} measures={trial.told.measures} />
        <button class="link small" onclick={() => (measuring = true)}
          >Measure it: volume, spread, give …</button
        >
        <Faults {trial} changed={again} />
        <Days {trial} />
        {#if trial.readings.length}<Again {trial} />{/if}
        <Photos {trial} changed={again} />
        <Noted {trial} changed={again} />
        <Files {trial} changed={again} />
        <ul class="cautions small">
          {#each trial.told.cautions as caution (caution)}<li>{caution}</li>{/each}
        </ul>
      </div>
    </div>
    <MeasureIt {trial} open={measuring} onclose={() => (measuring = false)} changed={again} />
  </div>
{:else}
  <p class="soft" role="status">Looking the bake up …</p>
{/if}

<style>
  .two {
    display: grid;
    grid-template-columns: 17rem minmax(0, 1fr);
    gap: 2rem;
    align-items: start;
    margin-top: 1rem;
  }

  .lead {
    margin: 0;
    font-size: var(--lead);
    font-weight: 600;
  }

  .state {
    margin: 0.2rem 0 0;
  }

  .cautions {
    margin: 1.25rem 0 0;
    color: var(--close);
  }

  @media (max-width: 860px) {
    .two {
      grid-template-columns: 1fr;
      gap: 1rem;
    }
  }
</style>
