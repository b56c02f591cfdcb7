<!-- Is it even? Readings or counts of at least five samples, and what they show; never more than that. -->
<script lang="ts">
  import { api, ask } from '../../api/client';
  import { day } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { numbersIn } from '../../trials/noting';
  import type { Batch } from '../types';

  const { batch, changed }: { batch: Batch; changed: (next: Batch) => void } = $props();
  // svelte-ignore state_referenced_locally
  let open = $state(batch.evenness.length > 0);
  let method = $state<'measured' | 'counted'>('measured');
  let typed = $state('');
  let sample = $state('30');
  const values = $derived(numbersIn(typed) ?? []);

  const note = (event: Event): void => {
    event.preventDefault();
    void attempt(async () => {
      const params = { path: { batch_id: batch.id } };
      const body = { method, values, sample_g: Number(sample.replace(',', '.')), note: '' };
      changed((await ask(api.POST('/api/v1/batches/{batch_id}/evenness', { params, body }))).data);
      typed = '';
    });
  };
</script>

<details bind:open>
  <summary>Is it even?</summary>
  {#each batch.evenness as e (e.at)}
    <p>
      {e.say} <span class="small soft">{e.samples} samples of {e.sample_g} g, {day(e.at.slice(0, 10))}</span>
    </p>
  {/each}
  <form class="no-print" onsubmit={note}>
    <label
      ><span>What was done</span>
      <select class="field" bind:value={method}>
        <option value="measured">measured: salt strip, conductivity, laboratory</option>
        <option value="counted">counted: coloured grains, in a mix that is not for eating</option>
      </select></label
    >
    <label class="grow"
      ><span>Samples, from all depths, after bagging</span>
      <input class="field" placeholder="41 38 46 35 44 …" autocomplete="off" bind:value={typed} /></label
    >
    <label><span>of, g</span><input class="field num" inputmode="decimal" bind:value={sample} /></label>
    <button class="action" disabled={values.length < 5}>Note it</button>
  </form>
  <p class="small soft">
    At least five samples; ten are better, each the smallest amount that anyone bakes from. No test shows that
    a mix is even throughout.
  </p>
</details>

<style>
  details {
    margin-top: 1rem;
  }

  summary {
    cursor: pointer;
    font-weight: 600;
  }

  form {
    display: flex;
    flex-wrap: wrap;
    align-items: end;
    gap: 0.5rem;
    margin: 0.4rem 0;
  }

  label {
    grid-template-columns: minmax(0, 1fr);
    min-width: 0;
    max-width: 100%;
    display: grid;
    color: var(--soft);
    font-size: var(--small);
  }

  .grow {
    flex: 1;
    min-width: 14rem;
  }

  .num {
    width: 4.5rem;
  }
</style>
