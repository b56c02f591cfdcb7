<!-- The front page: each brief with its state and next step. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type BriefSummary } from '../api/client';
  import { composeNew } from '../blends/making';
  import { kitchen } from '../app/kitchen.svelte';
  import { notices } from '../ui/state/notices.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import Doors from '../begin/Doors.svelte';
  import BriefRow from './BriefRow.svelte';

  let briefs = $state.raw<BriefSummary[] | null>(null);
  let away = $state(false);
  let trouble = $state('');

  let next = $state<string | null>(null);
  let fetching = $state(false);
  /** While blends of a long page are still being judged behind it, it is asked for again. */
  const LOOK_AGAIN_MS = 1500;
  let again: ReturnType<typeof setTimeout> | undefined;

  async function fetched(cursor: number): Promise<BriefSummary[]> {
    const archived = away ? '1' : '0';
    const { data } = await ask(api.GET('/api/v1/briefs', { params: { query: { archived, cursor } } }));
    next = data.next;
    return data.items;
  }

  async function load(): Promise<void> {
    trouble = '';
    clearTimeout(again);
    try {
      briefs = await fetched(0);
      if (briefs.some((b) => b.unseen)) again = setTimeout(lookAgain, LOOK_AGAIN_MS);
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function lookAgain(): Promise<void> {
    if (briefs && briefs.length <= 20) await load();
  }

  async function more(): Promise<void> {
    fetching = true;
    clearTimeout(again);
    try {
      const found = await fetched(Number(next));
      briefs = [...(briefs ?? []), ...found];
    } catch (error) {
      notices.say(wordsOf(error), true);
    } finally {
      fetching = false;
    }
  }

  async function compose(brief: BriefSummary): Promise<void> {
    const count = brief.blends.length + brief.more + 1;
    try {
      await composeNew(`${brief.brief.name.slice(0, 100)} mix ${count}`, brief.brief.id);
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }

  onMount(() => {
    void load();
    return () => clearTimeout(again);
  });
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else}
  <div class="page">
    <div class="page-head">
      <h1>
        {away ? 'Briefs put away' : briefs && !briefs.length ? 'Where do you begin?' : 'What the work is for'}
      </h1>
      <span class="soft">{kitchen.settings?.name}</span>
      {#if briefs?.length}<a class="action quiet" href="#/begin">Begin something else</a>{/if}
      <a class="action" href="#/briefs/new">New brief</a>
    </div>
    {#if briefs?.length}
      {#each briefs as brief (brief.brief.id)}<BriefRow {brief} oncompose={compose} />{/each}
      {#if next}
        <p class="mt-4">
          <button class="action" disabled={fetching} onclick={more}
            >{fetching ? 'Fetching more briefs …' : 'More briefs'}</button
          >
          <span class="soft small">or find one by its name with /</span>
        </p>
      {/if}
    {:else if briefs && !away}
      <Doors />
    {:else if briefs}
      <p class="soft mt-4">None is put away.</p>
    {:else}
      <p class="soft mt-4" role="status">Fetching the briefs …</p>
    {/if}
    <p class="mt-4 small">
      <button
        class="link"
        onclick={() => {
          away = !away;
          void load();
        }}>{away ? 'Back to the briefs at work' : 'Briefs put away'}</button
      >
    </p>
  </div>
{/if}

<style>
  .page-head .action:first-of-type {
    margin-left: auto;
  }
</style>
