<!-- What a formula is judged by, one line each as on a blend's sieves: name, band with a mark, value, word. -->
<script lang="ts">
  import ChevronDown from '@lucide/svelte/icons/chevron-down';
  import ChevronRight from '@lucide/svelte/icons/chevron-right';
  import type { Snippet } from 'svelte';
  import BandLine from './BandLine.svelte';
  import { STATUS_CLASS } from './words';
  import { figure } from '../ui/format';
  import type { Schemas } from '../api/client';

  interface Props {
    gauges: readonly Schemas['Gauge'][];
    others?: readonly Schemas['Gauge'][];
    /** How one was worked out; without it none opens. */
    how?: Snippet<[Schemas['Gauge']]>;
  }
  const { gauges, others = [], how }: Props = $props();
  let open = $state('');
  const before = (g: Schemas['Gauge']): number | null => others.find((o) => o.name === g.name)?.value ?? null;
  const decimals = (g: Schemas['Gauge']): number => (g.name === 'binder' ? 2 : (g.value ?? 0) >= 20 ? 0 : 1);
</script>

<ul>
  {#each gauges as g (g.name)}
    <li class:stuck={g.status === 'held'} data-gauge={g.name}>
      {#if how}
        <button
          class="name"
          aria-expanded={open === g.name}
          onclick={() => (open = open === g.name ? '' : g.name)}
        >
          {#if open === g.name}<ChevronDown size={14} aria-hidden="true" />{:else}<ChevronRight
              size={14}
              aria-hidden="true"
            />{/if}<span>{g.label}</span>
        </button>
      {:else}<span class="name">{g.label}</span>{/if}
      <div class="line">
        {#if g.band && g.value !== null}
          <BandLine band={g.band} status={g.status} value={g.value} other={before(g)} />
        {/if}
      </div>
      <span class="num value">{g.value === null ? '?' : figure(g.value, decimals(g))}</span>
      <span class="small tail">
        <span class="soft">{g.unit}</span>
        <span class="word {STATUS_CLASS[g.status]}">{g.say}</span>
      </span>
      {#if g.why}<span class="why small soft">{g.why}.</span>{/if}
      {#if how && open === g.name}<div class="how">{@render how(g)}</div>{/if}
    </li>
  {/each}
</ul>

<style>
  li {
    display: grid;
    grid-template-columns: 8.25rem minmax(5rem, 1fr) 3.5rem 10.5rem;
    align-items: center;
    gap: 0.75rem;
    min-height: 47px;
    border-bottom: 1px solid var(--hairline);
  }

  .stuck {
    margin-left: -12px;
    padding-left: 9px;
    border-left: 3px solid var(--held);
  }

  .name,
  .word {
    font-weight: 600;
  }

  button.name {
    display: flex;
    align-items: center;
    gap: 0.3rem;
    min-height: 44px;
    text-align: left;
    cursor: pointer;
  }

  .how {
    grid-column: 1 / -1;
    padding: 0 0 0.75rem;
  }

  .line {
    min-width: 0;
    height: 40px;
  }

  .value {
    font-size: 1.0625rem;
  }

  .why {
    grid-column: 2 / -1;
    margin: -0.35rem 0 0.4rem;
  }

  .tail {
    display: flex;
    flex-direction: column;
    line-height: 1.25;
  }

  @media (max-width: 1100px) {
    li {
      grid-template-columns: 6.5rem minmax(4rem, 1fr) 3rem 8rem;
      gap: 0.5rem;
    }
  }

  @media (max-width: 600px) {
    li {
      grid-template-columns: minmax(0, 1fr) 3.25rem 8.5rem;
      padding: 0.35rem 0;
    }

    .line {
      grid-column: 1 / -1;
      grid-row: 2;
    }

    .why {
      grid-column: 1 / -1;
    }
  }
</style>
