<!-- The one thing that is to be done now: its name, a large timer, grams and degrees, what to beware of. -->
<script lang="ts">
  import { kitchen } from '../../app/kitchen.svelte';
  import { mass } from '../../ui/format';
  import { timeOf } from '../clock';
  import type { Step } from '../types';
  import { left } from './running';

  interface Props {
    due: Step | null;
    next: Step | null;
    /** To what the timer counts, ms. */
    target: number | null;
    late: boolean;
    now: number;
    zone: string;
  }
  const { due, next, target, late, now, zone }: Props = $props();
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
</script>

<section class="now" class:late aria-label="Now">
  <p class="eyebrow">
    {due ? (late ? 'now, late' : 'now') : 'nothing now'} <span>{due?.product ?? ''}</span>
  </p>
  {#if due}
    <h1>{due.do}</h1>
  {:else if next}
    <h1>Until {timeOf(next.at, zone)}</h1>
  {:else}
    <h1>All done</h1>
  {/if}
  {#if target !== null}
    <p class="timer" role="timer" aria-label="Time left">
      {#each left(Math.abs(target - now)) as part (part.unit)}<span class="big num">{part.value}</span><span
          class="unit">{part.unit}</span
        >{/each}
    </p>
    <p class="ends">
      <span class="soft">{late ? 'over' : due && Date.parse(due.at) > now ? 'until it begins' : 'left'}</span>
      <b
        >{due && Date.parse(due.at) > now ? 'begins' : due ? 'to' : 'then'}
        {timeOf(target, zone)}</b
      >
    </p>
  {/if}
  {#if due}
    <table class="lines">
      <tbody>
        {#each due.grams as g, n (n)}
          <tr
            ><td>{g.name}</td><td class="num">{g.mass_g === null ? '' : mass(g.mass_g, unit)}</td><td
              class="num">{g.temp_c === null ? '' : `${g.temp_c.toFixed(0)} °C`}</td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    {#each due.notes as note, n (n)}<p class="note">{note}</p>{/each}
  {/if}
</section>

<style>
  section {
    padding: 0.7rem 1rem;
    border-top: 1px solid var(--hairline);
  }

  .ends,
  .eyebrow {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
  }

  .now {
    background: var(--sheet);
    border-left: 6px solid var(--flax);
  }

  .now.late {
    border-left-color: var(--held);
  }

  .eyebrow {
    color: var(--flax);
    font-weight: 600;
  }

  .late .eyebrow {
    color: var(--held);
  }

  .eyebrow span {
    color: var(--soft);
    font-weight: 400;
  }

  h1 {
    font-size: 1.75rem;
  }

  .big {
    font-size: 4.75rem;
    font-weight: 600;
    line-height: 1;
  }

  .unit {
    margin: 0 0.6rem 0 0.3rem;
    color: var(--soft);
    font-size: 1.4rem;
  }

  .lines td {
    font-size: 1.05rem;
    padding: 0.35rem 0.5rem 0.35rem 0;
  }

  .note {
    margin-top: 0.35rem;
  }
</style>
