<!-- The faults of a bake: each mark with why, ranked by this bake's own numbers, and what to try. -->
<script lang="ts">
  import StatusIcon from '../../bands/StatusIcon.svelte';
  import { STATUS_CLASS } from '../../bands/words';
  import type { Trial } from '../types';
  import { strengthWord } from '../types';
  import FaultCard from './FaultCard.svelte';

  const { trial, changed }: { trial: Trial; changed: () => Promise<void> } = $props();
  let open = $state('');
  const faults = $derived(trial.told.faults);
  const together = $derived(trial.told.together.filter((j) => j.faults.length > 1).slice(0, 3));
  const names = $derived(Object.fromEntries(faults.map((f) => [f.fault, f.name.toLowerCase()])));
</script>

{#if faults.length}
  <section aria-label="Faults">
    {#each faults as f (f.fault)}
      <div class="fault" data-fault={f.fault}>
        <button
          class="head"
          aria-expanded={open === f.fault}
          onclick={() => (open = open === f.fault ? '' : f.fault)}
        >
          <StatusIcon status={f.status as 'held' | 'close'} />
          <b>{f.name}</b>
          <span class="small {STATUS_CLASS[f.status as 'held']}"
            >{strengthWord(f.strength)}{f.arm ? ` · ${f.arm}` : ''}</span
          >
          <span class="why">{open === f.fault ? 'close' : 'why?'}</span>
        </button>
        {#if open === f.fault}<FaultCard {trial} fault={f} {changed} />{/if}
      </div>
    {/each}
    {#if together.length}
      <p class="small" data-together>
        Over all of them: {together
          .map(
            (j) =>
              `${j.name.toLowerCase()} ${j.share.toFixed(2)} (${j.faults.map((n) => names[n]).join(', ')})`
          )
          .join('; ')}. An order, no more: one is not independent of another.
      </p>
    {/if}
  </section>
{/if}

<style>
  section {
    margin-top: 1.25rem;
  }

  .fault {
    border-bottom: 1px solid var(--hairline);
  }

  .head {
    display: flex;
    width: 100%;
    align-items: baseline;
    gap: 0.6rem;
    min-height: 44px;
    text-align: left;
  }

  .why {
    margin-left: auto;
    color: var(--flax);
    text-decoration: underline;
  }
</style>
