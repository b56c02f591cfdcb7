<!-- What changed between two mixes: parts largest first, then what that did to the sieves. -->
<script lang="ts">
  import { api, ask, wordsOf, type Part, type Schemas } from '../api/client';
  import { figure, signed } from '../format';
  import { kitchen } from '../kitchen.svelte';
  import { loadOn } from '../ui/loading.svelte';

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

  const moved = $derived(
    (found?.metrics ?? []).filter((m) => {
      const info = kitchen.metric(m.metric);
      return info.banded && m.change !== null && Math.abs(m.change) >= 0.5 * 10 ** -info.decimals;
    })
  );
  const share = (v: number | null): string => (v === null ? 'none' : figure(v, 1));
</script>

{#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
{#if found}
  {#if !found.parts.length}
    <p class="soft">The same mix.</p>
  {:else}
    <p class="soft small">{figure(found.moved_pct, 1)} % of the flour moved. % of flour, before → after.</p>
    <ul>
      {#each found.parts as part (part.ingredient)}
        <li>
          <span
            >{part.name}{#if part.before_lot !== part.after_lot}<span class="soft small"
                >{` ${part.before_lot || 'any lot'} → ${part.after_lot || 'any lot'}`}</span
              >{/if}</span
          >
          <span class="num soft">{share(part.before_pct)} → {share(part.after_pct)}</span>
          <b class="num">{signed(part.change_pct, 1)}</b>
        </li>
      {/each}
    </ul>
    {#if moved.length}
      <ul class="metrics">
        {#each moved as m (m.metric)}
          {@const info = kitchen.metric(m.metric)}
          <li>
            <span>{info.label} <span class="soft">{info.unit}</span></span>
            <span class="num soft">{figure(m.before, info.decimals)} → {figure(m.after, info.decimals)}</span>
            <b class="num">{signed(m.change ?? 0, Math.max(info.decimals, 1))}</b>
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
