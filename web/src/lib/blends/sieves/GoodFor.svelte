<!-- What is this mix good for? Every use in order of fit, with what holds it; a use opens to its own sieves. -->
<script lang="ts">
  import { wordsOf } from '../../api/client';
  import { figure } from '../../ui/format';
  import { loadOn } from '../../ui/state/loading.svelte';
  import StatusIcon from '../../bands/StatusIcon.svelte';
  import { STATUS_CLASS } from '../../bands/words';
  import type { Bench } from '../bench/bench.svelte';
  import { AllUses } from './goodFor.svelte';
  import { practice } from './practice.svelte';
  import Sieve from './Sieve.svelte';

  const { bench }: { bench: Bench } = $props();
  const all = new AllUses();
  let wrong = $state('');
  let opened = $state<string | null>(null);

  loadOn(
    () => bench.parts,
    async (parts) => {
      try {
        await all.ask(parts);
        wrong = '';
      } catch (error) {
        wrong = wordsOf(error);
      }
    }
  );

  async function toggle(use: string): Promise<void> {
    opened = null;
    void practice.load(use);
    try {
      await all.toggle(bench.parts, use);
    } catch (error) {
      wrong = wordsOf(error);
    }
  }

  /** What the mix is for: its use, or all that its brief names. */
  const own = $derived(
    new Set(bench.judgement?.fit?.each.length ? bench.judgement.fit.each.map((f) => f.use) : [bench.use])
  );
  const startsGroup = (n: number): boolean =>
    n > 0 && all.found!.uses[n]!.status !== all.found!.uses[n - 1]!.status;
</script>

{#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
{#if all.found}
  <h2>{all.found.say}</h2>
  <ul aria-label="Uses in order of fit">
    {#each all.found.uses as u, n (u.use)}
      <li class:apart={startsGroup(n)} class:own={own.has(u.use)}>
        <button class="row" aria-expanded={all.open === u.use} onclick={() => toggle(u.use)}>
          <StatusIcon status={u.status} />
          <span class="name"
            >{u.name}{#if own.has(u.use)}<span class="small soft"
                >&ensp;{own.size > 1 ? 'in the brief' : 'its own use'}</span
              >{/if}</span
          >
          <span class="what {STATUS_CLASS[u.status]}">{u.say}</span>
          <span class="num">{u.score === null ? '' : figure(u.score, 0)}</span>
        </button>
        {#if all.open === u.use}
          <div class="sieves">
            {#each all.sieves as sieve (sieve.band.metric)}
              <Sieve
                result={sieve}
                parts={bench.parts}
                use={u.use}
                mixes={practice.of(u.use, 'plain')}
                open={opened === sieve.band.metric}
                ontoggle={() => (opened = opened === sieve.band.metric ? null : sieve.band.metric)}
              />
            {/each}
            {#if !bench.head.brief_id && u.use !== bench.use}
              <p class="small">
                <button class="link" onclick={() => bench.set({ use: u.use })}>Make it this mix’s use</button>
              </p>
            {/if}
          </div>
        {/if}
      </li>
    {/each}
  </ul>
  <p class="soft small mt-2">
    Fit of 100, judged by each use’s own mixes on record; what is in the bag counts as it is, binder and all.
    A use opens to its sieves. <a href="#/method/good-for">How this is worked out</a>
  </p>
{:else if !bench.parts.length}
  <p class="soft mt-2">An empty mix is good for nothing yet. Add a first flour.</p>
{/if}

<style>
  h2 {
    margin: 0.75rem 0 0.5rem;
  }

  li {
    border-bottom: 1px solid var(--hairline);
  }

  .apart {
    margin-top: 0.5rem;
    border-top: 2px solid var(--hairline);
  }

  .own {
    margin-left: -12px;
    padding-left: 9px;
    border-left: 3px solid var(--flax);
  }

  .row {
    display: grid;
    grid-template-columns: 18px minmax(9rem, 1fr) minmax(0, 1.2fr) 2.5rem;
    gap: 0.6rem;
    align-items: center;
    width: 100%;
    min-height: 32px;
    text-align: left;
    cursor: pointer;
  }

  .row:hover .name {
    text-decoration: underline;
  }

  .name {
    font-weight: 600;
  }

  .what.passes {
    color: var(--soft);
  }

  .sieves {
    padding: 0 0 0.75rem 1.75rem;
  }

  @media (max-width: 600px) {
    .row {
      grid-template-columns: 18px minmax(0, 1fr) 2.5rem;
      padding: 0.35rem 0;
    }

    .what {
      grid-column: 2 / -1;
      grid-row: 2;
      font-size: var(--small);
    }

    .sieves {
      padding-left: 0;
    }
  }

  @media (pointer: coarse) {
    .row {
      min-height: 44px;
    }
  }
</style>
