<!-- Which lot a part draws on: its own label and tests then count, and it is what the weigh sheet says. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { day, mass } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import type { Bench } from './bench.svelte';

  interface Props {
    bench: Bench;
    /** The slug of the part that is asked about, or nothing. */
    slug: string | null;
    onclose: () => void;
  }
  const { bench, slug, onclose }: Props = $props();
  let lots = $state.raw<Schemas['LotFullOut'][] | null>(null);
  let trouble = $state('');
  const part = $derived(bench.parts.find((p) => p.ingredient === slug));
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');

  async function load(of: string): Promise<void> {
    lots = null;
    try {
      const params = { path: { slug: of } };
      const { data } = await ask(api.GET('/api/v1/ingredients/{slug}/lots', { params }));
      lots = data.items.filter((l) => !l.archived || l.id === part?.lot_id);
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  $effect(() => {
    if (slug) void load(slug);
  });

  function choose(lot_id: number | null): void {
    if (slug) bench.setLot(slug, lot_id);
    onclose();
  }

  function about(lot: Schemas['LotFullOut']): string {
    const words: Record<string, string> = {
      density_g_per_ml: 'cup weight',
      thirst_g_per_g: 'thirst',
      grit_index: 'grit'
    };
    const own = lot.own_numbers.map((n) => words[n] ?? n.replace(/_(g|mg|ug|kj|kcal|pct)$/, ''));
    return [
      lot.standing.say,
      `${mass(lot.stock_g, unit)} left`,
      lot.best_before && `best before ${day(lot.best_before)}`,
      own.length
        ? `its own ${own.slice(0, 4).join(', ').replaceAll('_', ' ')}${own.length > 4 ? ' …' : ''}`
        : ''
    ]
      .filter(Boolean)
      .join(' · ');
  }
</script>

<Sheet open={!!slug} title="Which {slug ? bench.nameOf(slug).toLowerCase() : ''}?" {onclose}>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  {#if lots}
    <button class="lot" aria-pressed={!part?.lot_id} onclick={() => choose(null)}>
      <b>No lot in particular</b>
      <span class="soft small">the flour’s own numbers, at the price of the lot to draw from first</span>
    </button>
    {#each lots as lot (lot.id)}
      <button class="lot" aria-pressed={part?.lot_id === lot.id} onclick={() => choose(lot.id)}>
        <b>Lot {lot.code}</b>
        <span class="soft small">{about(lot)}</span>
      </button>
    {/each}
    {#if !lots.length}
      <p class="soft mt-2">
        There is no lot of it yet. <a href="#/ingredients/{slug}">Add one on its page.</a>
      </p>
    {/if}
  {:else if !trouble}<p class="soft">Looking in the bins …</p>{/if}
</Sheet>

<style>
  .lot {
    display: block;
    width: 100%;
    min-height: 48px;
    padding: 0.3rem 0.6rem;
    border: 1px solid transparent;
    border-bottom-color: var(--hairline);
    text-align: left;
    cursor: pointer;
  }

  .lot:hover {
    border-color: var(--flax);
  }

  .lot[aria-pressed='true'] {
    border-color: var(--flax);
    background: var(--flax-wash);
  }

  span {
    display: block;
  }
</style>
