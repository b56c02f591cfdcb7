<!-- From a formula to its plan in one step: ready tomorrow at nine, and there the times can be typed over. -->
<script lang="ts">
  import { replace } from 'svelte-spa-router';
  import { api, ask, wordsOf } from '../api/client';
  import { serverOf } from '../document/server';
  import Trouble from '../ui/Trouble.svelte';
  import { emptySchedule, productOf, tomorrowAtNine, workplace } from './making';
  import type { Content } from './types';

  const { params }: { params: { id: string } } = $props();
  let trouble = $state('');

  async function plan(id: string): Promise<void> {
    trouble = '';
    try {
      const path = { document_id: Number(id) };
      const { data } = await ask(api.GET('/api/v1/formulas/{document_id}', { params: { path } }));
      const place = await workplace();
      const empty = emptySchedule(place, place.now);
      const product = await productOf(data.head, tomorrowAtNine(place.now, empty.zone));
      const content = { ...empty, products: [product] };
      const made = await serverOf<Content>('schedules').add(data.head.name, data.head.brief_id, content);
      await replace(`/schedule/${made.head.id}`);
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  $effect(() => void plan(params.id));
</script>

{#if trouble}<Trouble say={trouble} again={() => plan(params.id)} />{:else}<p class="page soft" role="status">
    Planning it for tomorrow 09:00 …
  </p>{/if}
