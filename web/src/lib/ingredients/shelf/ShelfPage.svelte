<!-- The shelf: every ingredient in one table, on one basis. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import Trouble from '../../ui/Trouble.svelte';
  import NewIngredient from './NewIngredient.svelte';
  import Reading from './Reading.svelte';
  import Sentence from './Sentence.svelte';
  import { ShelfList } from './shelf.svelte';
  import ShelfTable from './ShelfTable.svelte';
  import Tray from './Tray.svelte';

  const list = new ShelfList();
  let choices = $state.raw<Schemas['ShelfChoicesOut'] | null>(null);
  let trouble = $state('');
  let at = $state<{ row: number; column: number } | null>(null);
  let adding = $state(false);
  let table = $state<ReturnType<typeof ShelfTable>>();

  async function load(): Promise<void> {
    trouble = '';
    try {
      choices = (await ask(api.GET('/api/v1/shelf/choices'))).data;
      list.load();
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  onMount(load);

  const say = $derived.by(() => {
    const count = list.total === 1 ? '1 ingredient' : `${list.total} ingredients`;
    if (!list.filtered) return `${count} on the shelf.`;
    return list.all === null ? `${count} found.` : `${list.total} of ${list.all} ingredients.`;
  });
</script>

{#if trouble || list.trouble}
  <Trouble say={trouble || list.trouble} again={load} />
{:else if choices && list.ready}
  <div class="shelf">
    <div class="head">
      <h1 class="say" aria-live="polite">{say}</h1>
      <input
        class="field look"
        type="search"
        aria-label="Find an ingredient"
        placeholder="Name, other name, or what it is taken for"
        maxlength="80"
        value={list.wanted.q}
        oninput={(e) => list.want({ q: e.currentTarget.value })}
        onkeydown={(e) => {
          if (e.key !== 'ArrowDown' || !list.total) return;
          e.preventDefault();
          table?.enter();
        }}
      />
      <button class="action" onclick={() => (adding = true)}>New ingredient</button>
      <a class="action" href="#/shelf/files">In and out</a>
      <a class="action" href="#/scale">Your scale</a>
    </div>
    <Sentence {list} {choices} />
    {#if list.total}
      <ShelfTable {list} bind:this={table} onread={(now) => (at = now)} />
      <Reading {list} {at} />
    {:else}
      <p class="none">
        Nothing on the shelf is all of this.
        <button class="link" onclick={() => list.forget()}>Show everything again</button>, or
        <button class="link" onclick={() => (adding = true)}>add an ingredient of your own</button>.
      </p>
    {/if}
    <Tray />
  </div>
{:else}
  <p class="page soft" role="status">Fetching the shelf …</p>
{/if}
<NewIngredient open={adding} onclose={() => (adding = false)} />

<style>
  .shelf {
    display: flex;
    flex-direction: column;
    height: 100%;
    padding: 0.75rem 1.25rem 0;
  }

  .head {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem;
  }

  h1 {
    flex: 1;
    min-width: 12rem;
  }

  .look {
    width: min(22rem, 100%);
  }

  .none {
    padding: 1.5rem 0;
    border-top: 2px solid var(--ink);
  }

  @media (max-width: 640px) {
    .shelf {
      height: auto;
      min-height: 100%;
      padding: 0.5rem;
    }

    .shelf > :global(.frame) {
      min-height: 60vh;
      max-height: 70vh;
    }
  }
</style>
