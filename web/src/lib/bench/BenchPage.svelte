<!-- The bench: the column on the left, what holds it on the right, the bag line at the foot. -->
<script lang="ts">
  import { onDestroy } from 'svelte';
  import { api, ask } from '../api/client';
  import { loadOn } from '../ui/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { Bench } from './bench.svelte';
  import BenchSheet from './BenchSheet.svelte';
  import { Opening } from './opening.svelte';

  const { params }: { params: { id: string } } = $props();
  const opening = new Opening(async (blend_id) => {
    const found = await ask(api.GET('/api/v1/blends/{blend_id}', { params: { path: { blend_id } } }));
    const made = new Bench(found.data);
    await made.start();
    return made;
  });

  loadOn(
    () => params.id,
    (id) => opening.load(id)
  );
  onDestroy(() => opening.close());
</script>

<svelte:window onpagehide={() => opening.bench?.save.leave()} />

{#if opening.trouble}
  <Trouble say={opening.trouble} again={() => opening.load(params.id)} />
{:else if opening.bench}
  {#key opening.bench}<BenchSheet bench={opening.bench} />{/key}
{:else}
  <p class="page soft" role="status">Putting the blend on the bench …</p>
{/if}
