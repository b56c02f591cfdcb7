<!-- One lot: what was bought, what is left, price, date and gluten value. -->
<script lang="ts">
  import { ProblemError, wordsOf, type Schemas } from '../../api/client';
  import type { OneIngredient } from '../one/ingredient.svelte';
  import { kitchen } from '../../app/kitchen.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import { fromLot, toBody, type LotText } from './lot';

  interface Props {
    one: OneIngredient;
    lot: Schemas['LotFullOut'] | null;
    open: boolean;
    onclose: () => void;
  }
  const { one, lot, open, onclose }: Props = $props();
  let t = $state<LotText>(fromLot(null));
  let wrong = $state('');
  let place = $state('');
  const currency = $derived(kitchen.settings?.currency || 'money');

  $effect(() => {
    if (open) {
      t = fromLot(lot);
      wrong = place = '';
    }
  });

  async function save(event?: Event, archived = lot?.archived ?? false): Promise<void> {
    event?.preventDefault();
    wrong = place = '';
    const made = toBody(t, archived);
    if ('wrong' in made) {
      ({ wrong, place } = made);
      return;
    }
    try {
      await one.saveLot(lot, made.body);
      notices.say(lot ? `Lot ${t.code} is saved.` : `Lot ${t.code} is in the bin.`);
      onclose();
    } catch (error) {
      wrong = wordsOf(error);
      place = error instanceof ProblemError ? error.place.slice(1) : '';
      if (error instanceof ProblemError && error.status === 412)
        wrong = 'Someone else changed this lot in between. Note what you typed, close, and open it anew.';
    }
  }
</script>

{#snippet number(name: keyof LotText, label: string, unit: string, isMass = false)}
  <span class="pair">
    <label for="lot-{name}">{label}</label>
    <input
      id="lot-{name}"
      class="field num"
      inputmode="decimal"
      autocomplete="off"
      data-mass={isMass ? 'kg' : undefined}
      aria-invalid={place === name ? true : undefined}
      bind:value={t[name]}
    />
    <span class="soft">{unit}</span>
  </span>
{/snippet}

{#snippet text(name: keyof LotText, label: string, type = 'text')}
  <span class="pair">
    <label for="lot-{name}">{label}</label>
    <input
      id="lot-{name}"
      class="field"
      {type}
      maxlength="200"
      aria-invalid={place === name ? true : undefined}
      bind:value={t[name]}
    />
  </span>
{/snippet}

<Sheet
  {open}
  wide
  title={lot ? `Lot ${lot.code} of ${one.whole.name}` : `A new lot of ${one.whole.name}`}
  {onclose}
>
  <form onsubmit={save}>
    <div class="grid">
      {@render text('code', 'Code')}
      {@render text('supplier', 'From')}
      {@render number('bought', 'Bought', 'kg', true)}
      {@render text('bought_on', 'on', 'date')}
      {@render number('stock', 'Left', 'kg', true)}
      {@render text('best_before', 'Best before', 'date')}
      {@render number('pack_price', 'A pack costs', currency)}
      {@render number('pack', 'and holds', 'kg', true)}
      {@render number('yield_pct', 'of which', '% can be used')}
      {@render number('price', 'or per kg', currency)}
      {@render number('gluten', 'Gluten, at most', 'mg/kg')}
      {@render text('gluten_basis', 'by test or certificate')}
      {@render text('gluten_on', 'of', 'date')}
      {@render text('note', 'Note')}
    </div>
    <p class="soft small">
      What is left blank is unknown, and gluten that is unknown is never shown as free. Numbers of this lot’s
      own come from its label or a bench test of it.
    </p>
    {#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
    <p class="end">
      {#if lot}
        <button type="button" class="action" onclick={() => save(undefined, !lot.archived)}
          >{lot.archived ? 'Take up again' : 'Put away'}</button
        >
      {/if}
      <button class="action main">{lot ? 'Save' : 'Put it in the bin'}</button>
    </p>
  </form>
</Sheet>

<style>
  .grid {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(19rem, 1fr));
    gap: 0.5rem 1.5rem;
    margin-bottom: 0.75rem;
  }

  .pair {
    display: grid;
    grid-template-columns: 7.5rem minmax(0, 1fr) auto;
    align-items: center;
    gap: 0.5rem;
  }

  .end {
    display: flex;
    justify-content: flex-end;
    gap: 0.5rem;
    margin-top: 0.75rem;
  }
</style>
