<!-- A rise that is ahead or late: what happens if it is left, put colder, warmer, or baked now. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import { wordsOf } from '../../api/client';
  import { lasting } from '../clock';
  import type { ScheduleBench } from '../schedule.svelte';
  import type { Step } from '../types';

  const { bench, step }: { bench: ScheduleBench; step: Step } = $props();
  let ways = $state.raw<Schemas['WayOut'][]>([]);
  let trouble = $state('');

  async function load(): Promise<void> {
    try {
      const body = { content: bench.content, product: step.product, step: step.step };
      ways = (await ask(api.POST('/api/v1/plans/ways-out', { body }))).data;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  function words(w: Schemas['WayOut']): string {
    if (w.around_c === null) return `at ${(100 * w.ripeness).toFixed(0)} % of ripe`;
    const ripe = w.ripe_min === null ? 'not ripe within a day' : `ripe in ${lasting(w.ripe_min)}`;
    const over = w.over_min === null ? '' : `, over in ${lasting(w.over_min)}`;
    const rim = w.rim_min === null ? '' : `, at the rim in ${lasting(w.rim_min)}`;
    return `${w.around_c.toFixed(0)} °C: ${ripe}${over}${rim}`;
  }

  $effect(() => {
    void bench.judgement;
    void load();
  });
</script>

<div>
  <h3>From here</h3>
  {#if trouble}<p class="held small">{trouble}</p>{/if}
  <ul class="small">
    {#each ways as w (w.way)}<li><b>{w.way}</b> {words(w)}</li>{/each}
  </ul>
</div>
