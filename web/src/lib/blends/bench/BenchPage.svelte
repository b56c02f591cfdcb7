<!-- The bench: the column on the left, what holds it on the right, the bag line at the foot. -->
<script lang="ts">
  import DocumentPage from '../../document/DocumentPage.svelte';
  import { serverOf } from '../../document/server';
  import { Bench } from './bench.svelte';
  import BenchSheet from './BenchSheet.svelte';
  import type { BlendContent } from './content';

  const { params }: { params: { id: string } } = $props();

  async function make(id: number): Promise<Bench> {
    const made = new Bench(await serverOf<BlendContent>('blends').get(id));
    await made.start();
    return made;
  }
</script>

<DocumentPage id={params.id} noun="blend" {make}>
  {#snippet sheet(bench: Bench)}<BenchSheet {bench} />{/snippet}
</DocumentPage>
