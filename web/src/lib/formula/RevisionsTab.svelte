<!-- The kept revisions of a formula, newest first: why, put beside, put on the bench, take out as a file. -->
<script lang="ts">
  import { day } from '../format';
  import { notices } from '../ui/notices.svelte';
  import type { FormulaBench } from './formula.svelte';
  import type { FormulaRevision } from './types';

  const { bench, onkeep }: { bench: FormulaBench; onkeep: () => void } = $props();
  const newestFirst = $derived([...bench.revisions].reverse());

  function restore(revision: FormulaRevision): void {
    bench.restore(revision);
    notices.say(`Revision ${revision.number} is on the bench. Undo goes back to what was there.`);
  }
</script>

{#if !bench.revisions.length}
  <p class="my-3">
    Nothing is kept yet. A revision holds the formula as it is now, with one line why, and never changes.
  </p>
  <button class="action main" disabled={!bench.lines.length} onclick={onkeep}>Keep the first revision</button>
{:else}
  <ol>
    {#each newestFirst as revision (revision.number)}
      {@const on = bench.ghost?.number === revision.number}
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
            aria-pressed={on}
            onclick={() => bench.showBeside(on ? null : revision.number)}
          >
            {on ? 'stands beside the lines: take away' : 'put beside the lines'}
          </button>
          <button class="link" onclick={() => restore(revision)}>put on the bench</button>
          <a href="/api/v1/formulas/{bench.formula.id}/export?format=json&revision={revision.number}" download
            >formula file</a
          >
        </p>
      </li>
    {/each}
  </ol>
{/if}

<style>
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
</style>
