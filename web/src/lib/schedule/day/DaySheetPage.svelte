<!-- The day sheet, for paper: the threads, then a line a visit with blanks for what really was. -->
<script lang="ts">
  import DocumentPage from '../../document/DocumentPage.svelte';
  import { serverOf } from '../../document/server';
  import DaySheet from './DaySheet.svelte';
  import { workplace } from '../making';
  import { ScheduleBench } from '../schedule.svelte';
  import type { Content, Workplace } from '../types';

  const { params }: { params: { id: string } } = $props();
  let place = $state.raw<Workplace | null>(null);

  async function make(id: number): Promise<ScheduleBench> {
    const [found, here] = await Promise.all([serverOf<Content>('schedules').get(id), workplace()]);
    place = here;
    const made = new ScheduleBench(found);
    await made.start();
    return made;
  }
</script>

<DocumentPage id={params.id} noun="schedule" {make}>
  {#snippet sheet(bench: ScheduleBench)}{#if place}<DaySheet {bench} {place} />{/if}{/snippet}
</DocumentPage>
