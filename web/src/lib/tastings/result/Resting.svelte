<!-- Whether the verdict rests on one person: told again without each seat in turn, once the page stands. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import { loadOn } from '../../ui/state/loading.svelte';

  const { tasting_id }: { tasting_id: number } = $props();
  let found = $state.raw<Schemas['RestsOnSeats'] | null>(null);

  async function load(at: number): Promise<void> {
    found = null;
    try {
      const params = { path: { tasting_id: at } };
      found = (await ask(api.GET('/api/v1/tastings/{tasting_id}/rests-on', { params }))).data;
    } catch {
      found = null; // the verdict stands without it
    }
  }

  loadOn(() => tasting_id, load);
</script>

{#if found}<p data-rests>{found.say}</p>{/if}
