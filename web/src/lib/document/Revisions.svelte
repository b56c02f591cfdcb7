<!-- The kept revisions, newest first: why, what changed, put beside, put on the bench, take out as a file. -->
<script lang="ts" generics="Content, Judgement">
  import type { Snippet } from 'svelte';
  import { day } from '../ui/format';
  import { notices } from '../ui/state/notices.svelte';
  import type { Document } from './document.svelte';
  import type { Revision } from './types';

  interface Props {
    bench: Document<Content, Judgement>;
    onkeep: () => void;
    /** What stands beside what: the column, the lines. */
    beside: string;
    /** What changed from one content to another. */
    differs: Snippet<[Content, Content]>;
    /** What a revision was for, after its day. */
    about?: Snippet<[Content]>;
  }
  const { bench, onkeep, beside, differs, about }: Props = $props();
  const newestFirst = $derived([...bench.revisions].reverse());
  let opened = $state<number | null>(null);

  function before(revision: Revision<Content>): Revision<Content> | undefined {
    return bench.revisions.find((r) => r.number === (revision.based_on ?? revision.number - 1));
  }

  function restore(revision: Revision<Content>): void {
    bench.restore(revision);
    notices.say(`Revision ${revision.number} is on the bench. Undo goes back to what was there.`);
  }
</script>

{#if !bench.revisions.length}
  <p class="empty">
    Nothing is kept yet. A revision holds the {bench.noun.name} as it is now, with one line why, and never changes.
  </p>
  <button class="action main" disabled={bench.isEmpty} onclick={onkeep}>Keep the first revision</button>
{:else}
  <ol>
    {#if !bench.kept && bench.based_on}
      {@const base = bench.revisions.find((r) => r.number === bench.based_on)}
      <li>
        <p><b>On the bench</b> <span class="soft">not kept yet, from revision {bench.based_on}</span></p>
        {#if base}{@render differs(base.content, bench.content)}{/if}
      </li>
    {/if}
    {#each newestFirst as revision (revision.number)}
      {@const base = before(revision)}
      {@const on = bench.beside === revision.number}
      <li>
        <p>
          <b>Revision {revision.number}</b>
          <span class="soft"
            >{day(revision.kept_at)}{revision.number === bench.based_on && bench.kept
              ? ' · on the bench'
              : ''}{#if about}&nbsp;· {@render about(revision.content)}{/if}</span
          >
        </p>
        <p>{revision.why}</p>
        <p class="does">
          <button
            class="link"
            aria-pressed={on}
            onclick={() => bench.showBeside(on ? null : revision.number)}
          >
            {on ? `stands beside the ${beside}: take away` : `put beside the ${beside}`}
          </button>
          {#if base}
            <button
              class="link"
              aria-expanded={opened === revision.number}
              onclick={() => (opened = opened === revision.number ? null : revision.number)}
            >
              what changed
            </button>
          {/if}
          <button class="link" onclick={() => restore(revision)}>put on the bench</button>
          <a href={bench.server.file(bench.head.id, 'json', revision.number)} download
            >{bench.noun.name} file</a
          >
        </p>
        {#if base && opened === revision.number}{@render differs(base.content, revision.content)}{/if}
      </li>
    {/each}
  </ol>
{/if}

<style>
  .empty {
    max-width: 30rem;
    margin: 0.75rem 0;
  }

  li {
    padding: 0.6rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .does {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 1.1rem;
    font-size: var(--small);
  }

  @media (pointer: coarse) {
    .link,
    .does a {
      min-height: 44px;
      line-height: 44px;
    }
  }
</style>
