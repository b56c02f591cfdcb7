<!-- What changed between two mixes: parts largest first, then what that did to the sieves. -->
<script lang="ts">
  import { api, ask, wordsOf, type Part, type Schemas } from '../../api/client';
  import { asNumber, type Change } from '../../ui/change';
  import { figure, signed } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';

  interface Props {
    before: readonly Part[];
    after: readonly Part[];
  }
  const { before, after }: Props = $props();
  let found = $state.raw<Schemas['Difference'] | null>(null);
  let trouble = $state('');

  async function load(from: readonly Part[], to: readonly Part[]): Promise<void> {
    try {
      const body = { before: [...from], after: [...to] };
      found = (await ask(api.POST('/api/v1/differences', { body }))).data;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(
    () => ({ from: before, to: after }),
    async ({ from, to }) => {
      if (from.length && to.length) await load(from, to);
    }
  );

  const lots = $derived(
    new Map((found?.parts ?? []).filter((c) => c.unit === 'lot').map((c) => [c.what, c]))
  );
  const shares = $derived((found?.parts ?? []).filter((c) => c.unit !== 'lot'));
  const moved = $derived(
    (found?.metrics ?? []).filter((m) => {
      const info = kitchen.metric(m.what);
      return info.banded && m.size !== null && Math.abs(m.size) >= 0.5 * 10 ** -info.decimals;
    })
  );
  const share = (v: Change['before']): string => (v === null ? 'none' : figure(asNumber(v), 1));
</script>

{#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
{#if found}
  {#if !found.parts.length}
    <p class="soft">The same mix.</p>
  {:else}
    <p class="soft small">{figure(found.moved_pct, 1)} % of the flour moved. % of flour, before → after.</p>
    <ul>
      {#each shares as part (part.what)}
        {@const lot = lots.get(part.what)}
        <li>
          <span
            >{part.label}{#if lot}<span class="soft small"
                >{` ${lot.before || 'any lot'} → ${lot.after || 'any lot'}`}</span
              >{/if}</span
          >
          <span class="num soft">{share(part.before)} → {share(part.after)}</span>
          <b class="num">{signed(part.size ?? 0, 1)}</b>
        </li>
      {/each}
    </ul>
    {#if moved.length}
      <ul class="metrics">
        {#each moved as m, n (n)}
          {@const info = kitchen.metric(m.what)}
          <li>
            <span>{info.label} <span class="soft">{info.unit}</span></span>
            <span class="num soft"
              >{figure(asNumber(m.before), info.decimals)} → {figure(asNumber(m.after), info.decimals)}</span
            >
            <b class="num">{signed(m.size ?? 0, Math.max(info.decimals, 1))}</b>
          </li>
        {/each}
      </ul>
    {/if}
  {/if}
{/if}

<style>
  ul {
    max-width: 30rem;
    margin: 0.25rem 0;
    font-size: 0.875rem;
  }

  .metrics {
    padding-top: 0.25rem;
    border-top: 1px solid var(--hairline);
  }

  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 8rem 4rem;
    gap: 0.5rem;
    padding: 0.06rem 0;
  }
</style>
