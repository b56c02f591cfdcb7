<!-- A list of everything of one kind: begin one, bring in a file, those at work or those put away. -->
<script lang="ts" generics="Item extends Listed">
  import { onMount, type Snippet } from 'svelte';
  import { wordsOf } from '../api/client';
  import { attempt } from './state/attempt';
  import type { Listed } from './listed';
  import { notices } from './state/notices.svelte';
  import Trouble from './Trouble.svelte';

  interface Props {
    /** What they are called, in the plural. */
    kind: string;
    /** All of them, those put away or those at work. */
    fetch: (away: boolean) => Promise<Item[]>;
    begin: { label: string; work: () => Promise<unknown> };
    /** What a file may be, in words and as the browser's chooser wants it; `take` brings it in and goes there. */
    file: { label: string; accept: string; take: (file: File) => Promise<void> };
    putAway: (item: Item, away: boolean) => Promise<unknown>;
    /** Whether they stand in a grid, rather than one below the other. */
    grid?: boolean;
    /** More to do, beside beginning one. */
    tools?: Snippet;
    heads?: Snippet;
    row: Snippet<[Item]>;
    /** What to say, and teach, where there is none. */
    none: string;
  }
  const { kind, fetch, begin, file, putAway, grid = false, tools, heads, row, none }: Props = $props();
  let items = $state.raw<Item[] | null>(null);
  let away = $state(false);
  let trouble = $state('');
  let wrong = $state('');
  let chooser = $state<HTMLInputElement>();
  const plural = $derived(kind.toLowerCase());

  async function load(): Promise<void> {
    trouble = '';
    try {
      items = await fetch(away);
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function bring(): Promise<void> {
    const chosen = chooser?.files?.[0];
    if (!chosen || !chooser) return;
    wrong = '';
    try {
      await file.take(chosen);
    } catch (error) {
      wrong = `${chosen.name} was not taken in, and nothing was changed. ${wordsOf(error)}`;
    } finally {
      chooser.value = '';
    }
  }

  async function shift(item: Item): Promise<void> {
    await putAway(item, !away);
    notices.say(away ? `${item.name} is back.` : `${item.name} is put away. It stays among those put away.`);
    await load();
  }

  function turn(): void {
    away = !away;
    void load();
  }

  onMount(load);
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else}
  <div class="page">
    <div class="page-head">
      <h1>{away ? `${kind} put away` : kind}</h1>
      <button class="action main" onclick={() => attempt(begin.work)}>{begin.label}</button>
      {@render tools?.()}
      <button class="action" onclick={() => chooser?.click()}>Bring in a file</button>
      <input
        class="sr-only"
        type="file"
        tabindex="-1"
        accept={file.accept}
        aria-label={file.label}
        bind:this={chooser}
        onchange={bring}
      />
    </div>
    {#if wrong}<p class="wrong" role="alert">{wrong}</p>{/if}
    {#if items?.length}
      {@render heads?.()}
      <ul class:grid>
        {#each items as item (item.id)}
          <li>
            <div class="item">{@render row(item)}</div>
            <button class="link small" onclick={() => attempt(() => shift(item))}
              >{away ? 'take up again' : 'put away'}<span class="sr-only"> {item.name}</span></button
            >
          </li>
        {/each}
      </ul>
    {:else if items && !away}
      <p class="my-4">{none}</p>
    {:else if items}
      <p class="my-4 soft">None is put away.</p>
    {:else}
      <p class="my-4 soft" role="status">Fetching the {plural} …</p>
    {/if}
    <p class="small">
      <button class="link" onclick={turn}
        >{away ? `Back to the ${plural} at work` : 'Show those put away'}</button
      >
    </p>
  </div>
{/if}

<style>
  h1 {
    flex: 1;
  }

  ul {
    margin: 0.25rem 0 1rem;
  }

  li {
    display: flex;
    align-items: center;
    gap: 1rem;
    border-bottom: 1px solid var(--hairline);
  }

  .item {
    flex: 1;
    min-width: 0;
  }

  .grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(19rem, 1fr));
    gap: 0.5rem 1.5rem;
    margin: 1rem 0;
  }

  .grid li {
    align-items: flex-start;
    gap: 0;
    border: 0;
  }

  .grid .link {
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
