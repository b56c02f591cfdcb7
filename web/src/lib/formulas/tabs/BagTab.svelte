<!-- A complete mix: all that is dry in one bag, what to add to 100 g of it, and the way back. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { figure, shortName } from '../../ui/format';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import type { FormulaBench } from '../bench/formula.svelte';
  import { makeMix } from '../making';

  const { bench }: { bench: FormulaBench } = $props();
  let dryEgg = $state(false);
  let found = $state.raw<Schemas['WholeBagOut'] | null>(null);
  let apart = $state.raw<Schemas['FormulaContentOut'] | null>(null);
  let wrong = $state('');
  let busy = $state(false);
  const g = (grams: number): string => `${figure(grams, grams < 10 ? 1 : 0)} g`;
  const adds = $derived(found ? toAdd(found) : '');

  function toAdd({ water, stays }: Schemas['WholeBagOut']): string {
    const range =
      water.low_g === null || water.high_g === null
        ? ''
        : ` (${figure(water.low_g, 0)}–${figure(water.high_g, 0)})`;
    const rest = stays.map((s) => `${g(s.g_per_100_g)} ${shortName(s.name).toLowerCase()}`);
    const first = water.typical_g > 0 ? [`${g(water.typical_g)} water${range}`] : [];
    return [...first, ...rest].join(', ');
  }

  loadOn(
    () => ({ content: bench.content, dry_egg: dryEgg }),
    async (body) => {
      if (!body.content.lines.length) return;
      try {
        found = (await ask(api.POST('/api/v1/whole-bags', { body }))).data;
        wrong = '';
      } catch (error) {
        found = null;
        wrong = wordsOf(error);
      }
    }
  );

  loadOn(
    () => ({ content: bench.content }),
    async (body) => {
      if (!body.content.blend) return;
      try {
        apart = (await ask(api.POST('/api/v1/opened-bags', { body }))).data.content;
      } catch {
        apart = null; // what is wrong with the formula stands above
      }
    }
  );

  async function make(): Promise<void> {
    if (!found) return;
    busy = true;
    try {
      const why = `All that is dry in the formula ${bench.head.name}`;
      await push(await makeMix(`${bench.head.name}, complete mix`, found, why, bench.head.brief_id));
    } catch (error) {
      wrong = wordsOf(error);
    } finally {
      busy = false;
    }
  }

  function takeApart(): void {
    if (!apart) return;
    bench.set(apart);
    notices.say('The bag was taken apart into lines. Undo puts it together again.');
  }
</script>

{#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
{#if found}
  <h2>{adds ? `To 100 g of mix add ${adds}` : 'Nothing is added to it'}</h2>
  <p class="small soft">
    {#if found.water.low_g !== null}The water is the formula’s own; in brackets what is predicted.{/if}
    <a href="#/method/whole-bag">How is this worked out?</a>
  </p>
  <p class="actions">
    {#if found.is_as_before}<span>All that is dry lies in the bag already.</span>
    {:else}<button class="action main" disabled={busy} onclick={make}>Make this mix</button>{/if}
    {#if apart}<button class="link" onclick={takeApart}>Take this bag apart</button>{/if}
    <label class="small"
      ><input type="checkbox" bind:checked={dryEgg} /> egg as powder, where there is any</label
    >
  </p>
  <div class="two">
    <table class="lines">
      <thead><tr><th scope="col">in 100 g of mix</th><th scope="col" class="num">g</th></tr></thead>
      <tbody>
        {#each found.in_bag as part (part.ingredient)}
          <tr
            ><th scope="row">{part.name}</th><td class="num"
              ><b>{figure(part.g_per_100_g, part.g_per_100_g < 10 ? 2 : 1)}</b></td
            ></tr
          >
        {/each}
      </tbody>
    </table>
    <div>
      <h3>Stays outside</h3>
      {#each found.stays as s (s.ingredient + s.why)}
        <p><b>{s.name}</b>, {g(s.g_per_100_g)}<br /><span class="small soft">{s.why}</span></p>
      {:else}
        <p class="soft">Nothing but the water.</p>
      {/each}
      {#if found.notes.length}
        <h3>Made dry</h3>
        {#each found.notes as note, n (n)}<p class="small">{note}</p>{/each}
      {/if}
      <h3>How it stands</h3>
      <p class="small">The mix: {found.mix_say}</p>
      <p class="small">The dough: {found.dough_say}</p>
    </div>
  </div>
  <p class="small soft">
    Allergens go into the bag with the powders. Mix and label it as local food law asks.
  </p>
{/if}

<style>
  .actions {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1.25rem;
    align-items: center;
    margin: 0.75rem 0;
  }

  .two {
    display: grid;
    grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
    gap: 1.5rem;
  }

  h3 {
    margin: 0 0 0.35rem;
    font-weight: 600;
  }

  p + h3 {
    margin-top: 1rem;
  }

  @media (max-width: 600px) {
    .two {
      grid-template-columns: minmax(0, 1fr);
    }
  }
</style>
