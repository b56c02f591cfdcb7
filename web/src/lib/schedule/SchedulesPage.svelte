<!-- All schedules: begin one, and those put away. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { allPages, api, ask, type Schemas } from '../api/client';
  import { serverOf } from '../document/server';
  import { counted } from '../ui/format';
  import ListPage from '../ui/ListPage.svelte';
  import type { Listed } from '../ui/listed';
  import { dayAndTime } from './clock';
  import { emptySchedule, startSchedule, workplace } from './making';
  import type { Content } from './types';

  type Item = Listed & { summary: Schemas['ScheduleSummary'] };
  let zone = $state('UTC');

  async function fetchAll(away: boolean): Promise<Item[]> {
    const place = await workplace();
    zone = place.zone || emptySchedule(place, place.now).zone;
    const query = { limit: 100, archived: away ? ('1' as const) : ('0' as const) };
    const found = await allPages((cursor) =>
      ask(api.GET('/api/v1/schedules', { params: { query: { ...query, cursor } } }))
    );
    return found.map((summary) => ({ id: summary.head.id, name: summary.head.name, summary }));
  }

  async function take(file: File): Promise<void> {
    const content = JSON.parse(await file.text()) as Content;
    const made = await serverOf<Content>('schedules').add(content.name || file.name, null, content);
    await push(`/schedule/${made.head.id}`);
  }

  function putAway({ summary }: Item, archived: boolean): Promise<unknown> {
    return serverOf('schedules').saveHead(summary.head, { archived });
  }

  function standing(s: Schemas['ScheduleStanding']): string {
    if (s.state === 'empty') return 'nothing in it yet';
    const ready = s.ready_at ? `ready ${dayAndTime(s.ready_at, zone)}` : 'as soon as may be';
    return s.state === 'running' ? `${ready} · running, ${counted(s.done, 'step')} done` : ready;
  }
</script>

<ListPage
  kind="Schedules"
  fetch={fetchAll}
  begin={{ label: 'New schedule', work: () => startSchedule('New schedule') }}
  file={{ label: 'Schedule file', accept: '.json,application/json', take }}
  {putAway}
  none="No schedule yet. Say what is to be ready and when: the times of every step are found, back from then, with nobody woken unless it must be."
>
  {#snippet tools()}<a class="action" href="#/starters">Starters</a>{/snippet}
  {#snippet row({ summary }: Item)}
    <a class="schedule" href="#/schedule/{summary.head.id}">
      <span class="name">{summary.head.name}</span>
      <span class="small soft">{summary.standing.products.join(', ') || 'empty'}</span>
      <span>{standing(summary.standing)}</span>
    </a>
  {/snippet}
</ListPage>

<style>
  .schedule {
    display: grid;
    grid-template-columns: minmax(12rem, 1fr) minmax(12rem, 1.4fr) minmax(12rem, 1fr);
    gap: 0.25rem 1.5rem;
    align-items: baseline;
    padding: 0.5rem 0.35rem;
    color: var(--ink);
    text-decoration: none;
  }

  .schedule:hover .name {
    color: var(--flax);
    text-decoration: underline;
  }

  .name {
    font-weight: 600;
  }

  @media (max-width: 860px) {
    .schedule {
      grid-template-columns: 1fr;
    }
  }
</style>
