<!-- Search over briefs, blends and ingredients. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import Sheet from '../ui/Sheet.svelte';

  interface Props {
    open: boolean;
    onclose: () => void;
  }
  const { open, onclose }: Props = $props();
  let query = $state('');
  let found = $state.raw<Schemas['Found'][]>([]);
  let at = $state(0);
  let trouble = $state('');
  let asked = 0;
  let looking: Promise<void> = Promise.resolve();

  async function look(): Promise<void> {
    const mine = ++asked;
    try {
      const { data } = await ask(api.GET('/api/v1/search', { params: { query: { q: query } } }));
      if (mine !== asked) return;
      found = data.items;
      at = 0;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  function href(hit: Schemas['Found']): string {
    if (hit.kind === 'ingredient') return `/ingredients/${hit.slug}`;
    const pages = { brief: 'briefs', formula: 'formula', blend: 'bench', schedule: 'schedule' };
    return `/${pages[hit.kind]}/${hit.id}`;
  }

  function key(event: KeyboardEvent): void {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step && found.length) {
      at = (at + step + found.length) % found.length;
      event.preventDefault();
    } else if (event.key === 'Enter') {
      void looking.then(go);
    }
  }

  /** Opens what is lit, once the answer to the last letter typed is there. */
  function go(): void {
    const hit = found[at];
    if (!hit) return;
    onclose();
    void push(href(hit));
  }

  $effect(() => {
    if (open) looking = untrack(look);
  });
</script>

<Sheet {open} title="Find a brief, a blend, a formula or a flour" {onclose}>
  <input
    class="field w-full"
    role="combobox"
    aria-label="Find"
    aria-expanded="true"
    aria-controls="found"
    aria-activedescendant={found[at] ? `found-${at}` : undefined}
    placeholder="Name, or what it is for"
    bind:value={query}
    oninput={() => (looking = look())}
    onkeydown={key}
  />
  {#if trouble}<p class="held mt-2" role="alert">{trouble}</p>{/if}
  <ul id="found" role="listbox" aria-label="Found">
    {#each found as hit, n (hit.kind + hit.id + hit.slug)}
      <li id="found-{n}" role="option" aria-selected={n === at} class:on={n === at}>
        <a href="#{href(hit)}" tabindex="-1" onclick={onclose}>
          <span>{hit.name}</span>
          <span class="soft small">{hit.kind}{hit.about ? `, ${hit.about.toLowerCase()}` : ''}</span>
        </a>
      </li>
    {/each}
  </ul>
  {#if !found.length && !trouble}<p class="soft mt-2">Nothing found. Try another word.</p>{/if}
</Sheet>

<style>
  ul {
    margin-top: 0.5rem;
  }

  a {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    padding: 0.45rem 0.5rem;
    color: var(--ink);
    text-decoration: none;
  }

  .on,
  li:hover {
    background: var(--flax-wash);
  }
</style>
