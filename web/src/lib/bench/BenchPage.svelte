<!-- The bench: the column on the left, what holds it on the right, the bag line at the foot. -->
<script lang="ts">
  import { onDestroy } from 'svelte';
  import { api, ask, wordsOf } from '../api/client';
  import { current } from '../frame/current.svelte';
  import { undoing } from '../frame/undo.svelte';
  import { loadOn } from '../ui/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { Bench } from './bench.svelte';
  import BenchSheet from './BenchSheet.svelte';

  const { params }: { params: { id: string } } = $props();
  let bench = $state.raw<Bench | null>(null);
  let trouble = $state('');
  let asked = 0;

  async function load(id: string): Promise<void> {
    const mine = ++asked;
    bench?.save.leave();
    bench = null;
    trouble = '';
    try {
      const path = { blend_id: Number(id) };
      const found = await ask(api.GET('/api/v1/blends/{blend_id}', { params: { path } }));
      const made = new Bench(found.data);
      await made.start();
      if (mine !== asked) return;
      bench = made;
      undoing.on = made;
      current.brief = made.brief;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => params.id, load);

  onDestroy(() => {
    asked++;
    bench?.save.leave();
    undoing.on = null;
    current.brief = null;
  });
</script>

<svelte:window onpagehide={() => bench?.save.leave()} />

{#if trouble}
  <Trouble say={trouble} again={() => load(params.id)} />
{:else if bench}
  {#key bench}<BenchSheet {bench} />{/key}
{:else}
  <p class="page soft" role="status">Putting the blend on the bench …</p>
{/if}
