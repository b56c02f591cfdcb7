<!-- Mend: each way as one line, the mass that moves, and what it leads to; pointing at one draws it beside the column. -->
<script lang="ts">
  import { onDestroy } from 'svelte';
  import { asNumber } from '../../ui/change';
  import { figure, mass } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import type { Mending } from './mend.svelte';

  interface Props {
    mending: Mending;
    onpropose: () => void;
  }
  const { mending, onpropose }: Props = $props();
  const LARGE_PCT = 30;
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');

  onDestroy(() => mending.close());

  function apply(at: number): void {
    const option = mending.answer?.options[at];
    if (!option) return;
    mending.apply(option);
    notices.say('Mended. Undo gives back what was there.');
  }
</script>

<section aria-label="Mend" class="mend">
  {#if mending.wrong}<p class="held" role="alert">{mending.wrong}</p>{/if}
  {#if mending.answer}
    <p class="say">
      {mending.answer.say}
      <button class="link" onclick={() => mending.close()}>close</button>
      {#if mending.answer.state === 'beyond'}
        <button class="action main" onclick={onpropose}>Propose a blend</button>
      {/if}
    </p>
    <ul>
      {#each mending.answer.options as option, n (n)}
        <li onpointerenter={() => mending.look(option)} onpointerleave={() => mending.look(null)}>
          <span>
            <b>{option.touched === 1 ? 'One part' : `${option.touched} parts`}</b>
            {option.moved_g > 0 ? `${mass(option.moved_g, unit)} moved` : 'doses alone'}, {option.passes
              ? 'everything passes'
              : 'nothing holds it'}
            {#if option.moved_pct > LARGE_PCT}<span class="close">(nearly another blend)</span>{/if}
          </span>
          <span class="soft small"
            >{option.changes
              .map(
                (c) =>
                  `${c.label.toLowerCase()} ${figure(asNumber(c.before) ?? 0, 1)} → ${figure(asNumber(c.after) ?? 0, 1)} %`
              )
              .join(', ')}</span
          >
          <button
            class="action"
            onfocus={() => mending.look(option)}
            onblur={() => mending.look(null)}
            onclick={() => apply(n)}>Apply</button
          >
        </li>
      {/each}
    </ul>
  {/if}
</section>

<style>
  .mend:not(:empty) {
    padding: 0.4rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  li {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 0 0.75rem;
    align-items: center;
    padding: 0.3rem 0;
  }

  li span:nth-child(2) {
    grid-row: 2;
  }

  li button {
    grid-row: 1 / 3;
    grid-column: 2;
  }
</style>
