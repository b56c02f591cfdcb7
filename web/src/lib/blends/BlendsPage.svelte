<!-- All blends, with import of a file and those put away. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { allPages, api, ask, type BlendSummary } from '../api/client';
  import { serverOf } from '../document/server';
  import ListPage from '../ui/ListPage.svelte';
  import type { Listed } from '../ui/listed';
  import { notices } from '../ui/state/notices.svelte';
  import BlendLine from './BlendLine.svelte';
  import { composeNew, importFile } from './making';

  type Item = Listed & { summary: BlendSummary };

  async function fetch(away: boolean): Promise<Item[]> {
    const query = { limit: 100, archived: away ? ('1' as const) : ('0' as const) };
    const found = await allPages((cursor) =>
      ask(api.GET('/api/v1/blends', { params: { query: { ...query, cursor } } }))
    );
    return found.map((summary) => ({ id: summary.head.id, name: summary.head.name, summary }));
  }

  async function take(file: File): Promise<void> {
    const { blend, notes } = await importFile(file);
    notes.forEach((n) => notices.say(n));
    await push(`/bench/${blend.head.id}`);
  }

  function putAway({ summary }: Item, archived: boolean): Promise<unknown> {
    return serverOf('blends').saveHead(summary.head, { archived });
  }
</script>

<ListPage
  kind="Blends"
  {fetch}
  begin={{ label: 'New blend', work: () => composeNew('New blend', null) }}
  file={{ label: 'Blend file or CSV', accept: '.json,.csv,application/json,text/csv', take }}
  {putAway}
  grid
  none="No blend yet. A blend is a mix of flours, starches and a binder; begin with one, or bring in a blend file."
>
  {#snippet tools()}<a class="action" href="#/blends/open">Open a bag</a>{/snippet}
  {#snippet row({ summary }: Item)}<BlendLine blend={summary} showUse />{/snippet}
</ListPage>
