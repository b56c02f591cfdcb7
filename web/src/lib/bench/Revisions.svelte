<!-- The kept revisions, newest first: why, what changed, put beside, put on the bench, take out as a file. -->
<script lang="ts">
  import type { Revision } from '../api/client';
  import { day } from '../format';
  import { notices } from '../ui/notices.svelte';
  import type { Bench } from './bench.svelte';
  import Changes from './Changes.svelte';

  interface Props {
    bench: Bench;
    onkeep: () => void;
  }
  const { bench, onkeep }: Props = $props();
  const newestFirst = $derived([...bench.revisions].reverse());
  let opened = $state<number | null>(null);

  function before(revision: Revision): Revision | undefined {
    return bench.revisions.find((r) => r.number === (revision.based_on ?? revision.number - 1));
  }

  function restore(revision: Revision): void {
    bench.restore(revision);
    notices.say(`Revision ${revision.number} is on the bench. Undo goes back to what was there.`);
  }
</script>

{#if !bench.revisions.length}
  <p class="empty">
    Nothing is kept yet. A revision holds the mix as it is now, with one line why, and never changes.
  </p>
  <button class="action main" disabled={!bench.parts.length} onclick={onkeep}>Keep the first revision</button>
{:else}
  <ol>
    {#if !bench.kept && bench.based_on}
      {@const base = bench.revisions.find((r) => r.number === bench.based_on)}
      <li>
        <p><b>On the bench</b> <span class="soft">not kept yet, from revision {bench.based_on}</span></p>
        {#if base}<Changes before={base.parts} after={bench.parts} />{/if}
      </li>
    {/if}
    {#each newestFirst as revision (revision.number)}
      {@const base = before(revision)}
      <li>
        <p>
          <b>Revision {revision.number}</b>
          <span class="soft"
            >{day(revision.kept_at)}{revision.number === bench.based_on && bench.kept
              ? ' · on the bench'
              : ''}</span
          >
        </p>
        <p>{revision.why}</p>
        <p class="does">
          <button
            class="link"
            aria-pressed={bench.ghost?.number === revision.number}
            onclick={() => bench.showBeside(bench.ghost?.number === revision.number ? null : revision.number)}
          >
            {bench.ghost?.number === revision.number
              ? 'stands beside the column: take away'
              : 'put beside the column'}
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
          <a href="/api/v1/blends/{bench.blend.id}/export?format=json&revision={revision.number}" download
            >blend file</a
          >
        </p>
        {#if base && opened === revision.number}<Changes before={base.parts} after={revision.parts} />{/if}
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
