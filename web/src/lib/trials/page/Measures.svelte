<!-- What was measured: on its band as on the bench where it has one, else as a number; each with its uncertainty. -->
<script lang="ts">
  import BandLine from '../../bands/BandLine.svelte';
  import { STATUS_CLASS, STATUS_WORDS } from '../../bands/words';
  import { figure } from '../../ui/format';
  import type { Measure } from '../types';

  const { measures }: { measures: Record<string, Measure> } = $props();
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
</script>

{#if banded.length}
  <ul class="sieves" aria-label="Measures on their bands">
    {#each banded as m (m.name)}
      {#if m.band}
        <li data-measure={m.name}>
          <span class="name">{m.label}</span>
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
        </li>
      {/if}
    {/each}
  </ul>
{/if}
{#if plain.length}
  <dl class="plain">
    {#each plain as m (m.name)}
      <div data-measure={m.name}>
        <dt class="small soft">{m.label}</dt>
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
