<!-- The head that the benches share: the name edited in place, how it is kept and saved, what can be done with it. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { SAVE_WORDS, type SaveState } from '../saving/autosave.svelte';
  import { attempt } from '../ui/attempt';
  import TitleField from '../ui/TitleField.svelte';

  interface Props {
    label: string;
    name: string;
    rename: (name: string) => Promise<void>;
    /** The revision that the draft rests on, and whether it is that revision unchanged. */
    based_on: number | null;
    kept: boolean;
    saved: SaveState;
    empty: boolean;
    onkeep: () => void;
    /** What it is for, how large, how wet: edited in place. */
    facts: Snippet;
    tools: Snippet;
    /** What is said in the place of the tools while nothing is in it. */
    waits: string;
  }
  const { label, name, rename, based_on, kept, saved, empty, onkeep, facts, tools, waits }: Props = $props();
  const standing = $derived(
    based_on ? (kept ? `revision ${based_on}` : `draft on revision ${based_on}`) : 'first draft'
  );
</script>

<div class="top">
  <TitleField {label} {name} take={(given) => attempt(() => rename(given))} />
  <button class="action main" disabled={empty || kept} onclick={onkeep}>Keep revision</button>
</div>
<div class="standing small soft">
  <span>{standing} ·</span>
  <span class:held={saved !== 'saved' && saved !== 'saving'} role="status">{SAVE_WORDS[saved]}</span>
  {@render facts()}
</div>
<p class="tools small">
  {#if empty}<span class="soft">{waits}</span>{:else}{@render tools()}{/if}
</p>

<style>
  .top {
    display: flex;
    align-items: center;
    gap: 0.75rem;
  }

  .standing {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0 0.3rem;
  }

  .standing :global(select) {
    max-width: var(--widest, 9rem);
    border: 1px solid transparent;
    background: transparent;
    color: var(--ink);
    text-overflow: ellipsis;
  }

  .standing :global(select:hover),
  .standing :global(select:focus) {
    border-color: var(--line);
  }

  .standing :global(option) {
    background: var(--sheet);
    color: var(--ink);
  }

  .tools {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
  }

  .tools > :global(*) {
    min-height: 24px;
    line-height: 24px;
  }
</style>
