<!-- All blends, with import of a file and those put away. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { allPages, api, ask, wordsOf, type BlendSummary } from '../api/client';
  import { notices } from '../ui/notices.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import BlendLine from './BlendLine.svelte';
  import { composeNew, importFile } from './making';

  let blends = $state.raw<BlendSummary[] | null>(null);
  let away = $state(false);
  let trouble = $state('');
  let wrong = $state('');
  let chooser = $state<HTMLInputElement>();

  async function load(): Promise<void> {
    trouble = '';
    try {
      const archived = away ? '1' : '0';
      blends = await allPages((cursor) =>
        ask(api.GET('/api/v1/blends', { params: { query: { cursor, limit: 100, archived } } }))
      );
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function bring(): Promise<void> {
    const file = chooser?.files?.[0];
    if (!file || !chooser) return;
    wrong = '';
    try {
      const { blend, notes } = await importFile(file);
      notes.forEach((n) => notices.say(n));
      await push(`/bench/${blend.blend.id}`);
    } catch (error) {
      wrong = `${file.name} was not taken in, and nothing was changed. ${wordsOf(error)}`;
    } finally {
      chooser.value = '';
    }
  }

  async function compose(): Promise<void> {
    try {
      await composeNew('New blend', null);
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }

  async function shift(blend: BlendSummary): Promise<void> {
    const { id, name, use, brief_id, version, archived } = blend.blend;
    const params = { path: { blend_id: id }, header: { 'If-Match': `"${version}"` } };
    const body = { name, use, brief_id, archived: !archived };
    try {
      await ask(api.PUT('/api/v1/blends/{blend_id}', { params, body }));
      notices.say(archived ? `${name} is back.` : `${name} is put away. It stays among those put away.`);
      await load();
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }

  onMount(load);
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else}
  <div class="page">
    <div class="page-head">
      <h1>{away ? 'Blends put away' : 'Blends'}</h1>
      <button class="action main" onclick={compose}>New blend</button>
      <button class="action" onclick={() => chooser?.click()}>Bring in a file</button>
      <input
        class="sr-only"
        type="file"
        tabindex="-1"
        accept=".json,.csv,application/json,text/csv"
        aria-label="Blend file or CSV"
        bind:this={chooser}
        onchange={bring}
      />
    </div>
    {#if wrong}<p class="wrong" role="alert">{wrong}</p>{/if}
    {#if blends?.length}
      <ul>
        {#each blends as blend (blend.blend.id)}
          <li>
            <BlendLine {blend} showUse />
            <button class="link small" onclick={() => shift(blend)}>
              {away ? 'take up again' : 'put away'}<span class="sr-only"> {blend.blend.name}</span>
            </button>
          </li>
        {/each}
      </ul>
    {:else if blends && !away}
      <p class="my-4">
        No blend yet. A blend is a mix of flours, starches and a binder; begin with one, or bring in a blend
        file.
      </p>
    {:else if blends}
      <p class="my-4 soft">None is put away.</p>
    {:else}
      <p class="my-4 soft" role="status">Fetching the blends …</p>
    {/if}
    <p class="small">
      <button
        class="link"
        onclick={() => {
          away = !away;
          void load();
        }}>{away ? 'Back to the blends at work' : 'Show those put away'}</button
      >
    </p>
  </div>
{/if}

<style>
  h1 {
    flex: 1;
  }

  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(19rem, 1fr));
    gap: 0.5rem 1.5rem;
    margin: 1rem 0;
  }

  li {
    display: flex;
    align-items: flex-start;
  }

  li > :global(.blend) {
    flex: 1;
    min-width: 0;
  }

  li .link {
    flex: none;
    padding: 0.5rem 0;
  }

  .wrong {
    margin-top: 0.75rem;
    padding: 0.5rem 0.75rem;
    border-left: 4px solid var(--held);
    background: var(--held-wash);
  }
</style>
