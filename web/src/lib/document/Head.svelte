<!-- The head of a document: the name edited in place, how it is kept and saved, what can be done with it. -->
<script lang="ts">
  import type { Snippet } from 'svelte';
  import { push } from 'svelte-spa-router';
  import { attempt } from '../ui/state/attempt';
  import { notices } from '../ui/state/notices.svelte';
  import TitleField from '../ui/TitleField.svelte';
  import { SAVE_WORDS } from './autosave.svelte';
  import type { Document } from './document.svelte';

  interface Props {
    // eslint-disable-next-line @typescript-eslint/no-explicit-any -- what is in it is the noun's own
    bench: Document<any, any>;
    onkeep: () => void;
    /** What it is for, how large, how wet: edited in place. */
    facts: Snippet;
    tools: Snippet;
    /** Its files, as links after the tools. */
    files: readonly { label: string; format: string }[];
    /** What is said in the place of the tools while nothing is in it. */
    waits: string;
  }
  const { bench, onkeep, facts, tools, files, waits }: Props = $props();
  const saved = $derived(bench.save.state);
  const standing = $derived(
    bench.based_on
      ? bench.kept
        ? `revision ${bench.based_on}`
        : `draft on revision ${bench.based_on}`
      : 'first draft'
  );

  async function duplicate(): Promise<void> {
    const copy = await bench.duplicate();
    await push(bench.noun.bench(copy.id));
    notices.say(`This is the copy. The other ${bench.noun.name} stays as it was.`);
  }
</script>

<div class="top">
  <TitleField
    label="Name of the {bench.noun.name}"
    name={bench.head.name}
    take={(name) => attempt(() => bench.saveHead({ name }))}
  />
  <button class="action main" disabled={bench.isEmpty || bench.kept} onclick={onkeep}>Keep revision</button>
</div>
<div class="standing small soft">
  <span>{standing} ·</span>
  <span class:held={saved !== 'saved' && saved !== 'saving'} role="status">{SAVE_WORDS[saved]}</span>
  {@render facts()}
</div>
<p class="tools small">
  {#if bench.isEmpty}
    <span class="soft">{waits}</span>
  {:else}
    {@render tools()}
    <button class="link" onclick={() => attempt(duplicate)}>Duplicate</button>
    {#each files as file (file.format)}
      <a href={bench.server.file(bench.head.id, file.format)} download>{file.label}</a>
    {/each}
  {/if}
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
