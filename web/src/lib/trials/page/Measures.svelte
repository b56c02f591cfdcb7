<!-- What was measured: on its band as on the bench where it has one, else as a number; each with its uncertainty. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import BandLine from '../../bands/BandLine.svelte';
  import { STATUS_CLASS, STATUS_WORDS } from '../../bands/words';
  import { figure } from '../../ui/format';
  import type { Measure } from '../types';
  import HowMeasured from './HowMeasured.svelte';

  const { trial_id, measures }: { trial_id: number; measures: Record<string, Measure> } = $props();
  let open = $state('');
  const Z = 1.96;
  const every = $derived(Object.entries(measures).map(([name, m]) => ({ name, ...m })));
  const banded = $derived(every.filter((m) => m.band));
  const plain = $derived(every.filter((m) => !m.band));
  const spread = (m: Measure): number => (m.sd ?? 0) * Z;
  const scaled = (m: Measure): boolean => /^[−0-9]/.test(m.unit);
  const decimals = (m: Measure): number =>
    Math.abs(m.value) >= 20 || (scaled(m) && Number.isInteger(m.value))
      ? 0
      : Math.abs(m.value) >= 5 || scaled(m)
        ? 1
        : 2;
  const within = (m: Measure): string =>
    m.sd ? `± ${figure(spread(m), spread(m) >= 9.5 ? 0 : spread(m) >= 0.95 ? 1 : 2)}` : '';
  const toggle = (name: string): void => {
    open = open === name ? '' : name;
  };
</script>

{#snippet opener(m: Measure & { name: string })}
  <button class="opener" aria-expanded={open === m.name} onclick={() => toggle(m.name)}>
    {#if open === m.name}<ChevronDown size={14} aria-hidden="true" />{:else}<ChevronRight
        size={14}
        aria-hidden="true"
      />{/if}<span>{m.label}</span>
  </button>
{/snippet}

{#if banded.length}
  <ul class="sieves" aria-label="Measures on their bands">
    {#each banded as m (m.name)}
      {#if m.band}
        <li data-measure={m.name}>
          <span class="name">{@render opener(m)}</span>
          <BandLine
            band={m.band}
            status={m.status as 'pass' | 'close' | 'held' | 'unknown'}
            value={m.value}
            low={m.value - spread(m)}
            high={m.value + spread(m)}
          />
          {#if m.word}<span class="value small">{m.word}</span>{:else}<span class="num value"
              >{figure(m.value, decimals(m))}</span
            >{/if}
          <span class="small tail">
            <span class="soft">{scaled(m) ? `of ${m.unit}` : m.unit} {within(m)}</span>
            <span class={STATUS_CLASS[m.status as 'pass']}>{STATUS_WORDS[m.status as 'pass']}</span>
          </span>
          {#if open === m.name}<HowMeasured {trial_id} name={m.name} />{/if}
        </li>
      {/if}
    {/each}
  </ul>
{/if}
{#if plain.length}
  <dl class="plain">
    {#each plain as m (m.name)}
      <div data-measure={m.name}>
        <dt class="small soft">{@render opener(m)}</dt>
        <dd>
          <span class={m.word ? '' : 'num'}>{m.word || figure(m.value, decimals(m))}</span>
          <span class="small soft"
            >{m.word ? '' : scaled(m) ? `of ${m.unit}` : m.unit}
            {m.as_planned ? 'as planned' : within(m)}{m.planned !== null &&
            !m.as_planned &&
            Math.abs(m.planned - m.value) > 0.5
              ? ` · plan ${figure(m.planned, 0)}`
              : ''}</span
          >
        </dd>
      </div>
    {/each}
  </dl>
  {#if plain.some((m) => m.name === open)}
    <section class="of-plain"><HowMeasured {trial_id} name={open} apart /></section>
  {/if}
{/if}

<style>
  .sieves {
    margin: 0.9rem 0 0;
  }

  .sieves li {
    display: grid;
    grid-template-columns: 9rem minmax(5rem, 1fr) 3.5rem 9rem;
    gap: 0.75rem;
    align-items: center;
    min-height: 47px;
    border-bottom: 1px solid var(--hairline);
  }

  .name {
    font-weight: 600;
  }

  .opener {
    display: inline-flex;
    align-items: center;
    gap: 0.3rem;
    color: inherit;
    font-weight: inherit;
    text-align: left;
    cursor: pointer;
  }

  .opener :global(svg) {
    flex: none;
  }

  .opener:hover {
    color: var(--flax);
  }

  .of-plain {
    margin-top: 0.5rem;
  }

  .value {
    font-size: 1.0625rem;
  }

  .tail {
    display: flex;
    flex-direction: column;
    line-height: 1.25;
  }

  .plain {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(10.5rem, 1fr));
    gap: 0.5rem 1rem;
    margin: 0.9rem 0 0;
  }

  dd {
    margin: 0;
  }

  @media (max-width: 600px) {
    .sieves li {
      grid-template-columns: minmax(0, 1fr) 3.25rem 7.5rem;
    }

    .sieves li > :global(.line) {
      grid-column: 1 / -1;
      grid-row: 2;
    }
  }
</style>
