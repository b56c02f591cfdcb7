<!-- One brief: what for, how it stands, the next step, and its blends. -->
<script lang="ts">
  import { api, allPages, ask, wordsOf, type BlendSummary, type BriefSummary } from '../api/client';
  import BlendLine from '../blends/BlendLine.svelte';
  import { kitchen } from '../app/kitchen.svelte';
  import { notices } from '../ui/state/notices.svelte';

  interface Props {
    brief: BriefSummary;
    oncompose: (brief: BriefSummary) => void;
  }
  const { brief, oncompose }: Props = $props();
  /** All blends of the brief, fetched when somebody wants to see more than the newest. */
  let every = $state.raw<BlendSummary[] | null>(null);
  let fetching = $state(false);
  const shown = $derived(every ?? brief.blends);

  async function showAll(): Promise<void> {
    fetching = true;
    const brief_id = brief.brief.id;
    try {
      every = await allPages((cursor) =>
        ask(api.GET('/api/v1/blends', { params: { query: { brief_id, cursor } } }))
      );
    } catch (error) {
      notices.say(wordsOf(error), true);
    } finally {
      fetching = false;
    }
  }
  const next = $derived(brief.progress);
  const aim = $derived(kitchen.reference?.aims.find((a) => a.name === brief.brief.aim)?.label ?? '');
  const about = $derived(
    [brief.use_name, brief.brief.eaters && `for ${brief.brief.eaters}`].filter(Boolean).join(', ')
  );
  const href = $derived(next.action === 'print' ? `#/print/${next.blend_id}` : `#/bench/${next.blend_id}`);
</script>

<section aria-labelledby="brief-{brief.brief.id}">
  <div class="what">
    <h2 id="brief-{brief.brief.id}"><a href="#/briefs/{brief.brief.id}">{brief.brief.name}</a></h2>
    <p>{about}</p>
    <p class="soft small">{[aim, ...brief.wishes].filter(Boolean).join(' · ')}</p>
    <p class="state">{next.say}</p>
    {#if next.action === 'compose'}
      <button class="action main" onclick={() => oncompose(brief)}>{next.next_step}</button>
    {:else}
      <a class="action main" {href}>{next.next_step}</a>
      <button class="action quiet" onclick={() => oncompose(brief)}>New blend</button>
    {/if}
  </div>
  <div class="blends">
    {#each shown as blend (blend.head.id)}<BlendLine {blend} />{/each}
    {#if brief.more && !every}
      <button class="link small more" disabled={fetching} onclick={showAll}
        >{fetching ? 'Fetching …' : `${brief.more} older ${brief.more === 1 ? 'blend' : 'blends'}`}</button
      >
    {/if}
  </div>
</section>

<style>
  section {
    display: grid;
    grid-template-columns: minmax(17rem, 2fr) 5fr;
    gap: 1.5rem;
    padding: 1rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  h2 a {
    color: var(--ink);
    text-decoration: none;
  }

  h2 a:hover {
    color: var(--flax);
    text-decoration: underline;
  }

  .state {
    margin: 0.35rem 0 0.5rem;
    font-weight: 600;
  }

  .action {
    max-width: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
  }

  .blends {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(15.5rem, 1fr));
    align-content: start;
    gap: 0.25rem 0.75rem;
  }

  .more {
    justify-self: start;
    padding: 0.5rem;
  }

  @media (max-width: 760px) {
    section {
      grid-template-columns: 1fr;
      gap: 0.5rem;
    }
  }
</style>
