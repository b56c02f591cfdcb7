<!-- Working by a plan, with floury hands: now one thing, next with its time, what rests. Three buttons. -->
<script lang="ts">
  import DocumentPage from '../../document/DocumentPage.svelte';
  import { serverOf } from '../../document/server';
  import { ScheduleBench } from '../schedule.svelte';
  import type { Content } from '../types';
  import NowSheet from './NowSheet.svelte';

  const { params }: { params: { id: string } } = $props();

  async function make(id: number): Promise<ScheduleBench> {
    const made = new ScheduleBench(await serverOf<Content>('schedules').get(id));
    await made.start();
    return made;
  }
</script>

<DocumentPage id={params.id} noun="schedule" {make}>
  {#snippet sheet(bench: ScheduleBench)}<NowSheet {bench} />{/snippet}
</DocumentPage>
