<!-- All that would go on the bag: cautions first, then binder, colour, keeping and nutrition. -->
<script lang="ts">
  import type { Judgement, Part } from '../../api/client';
  import { figure, temperature } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import RestsOn from './RestsOn.svelte';
  import Surer from './Surer.svelte';
  import Nutrition from './Nutrition.svelte';

  interface Props {
    judgement: Judgement;
    parts: readonly Part[];
    nameOf: (slug: string) => string;
  }
  const { judgement, parts, nameOf }: Props = $props();
  const colour = $derived(judgement.analysis.flour_lab);
  const wheat = $derived(kitchen.reference?.wheat_lab);
  const css = (l: readonly number[]): string => `lab(${l[0]} ${l[1]} ${l[2]})`;
  const binder = $derived(judgement.binder);
  const KINDS: Record<string, string> = {
    flours: 'Flours alone.',
    'flours with binder': 'Flours with their binder.',
    'self-raising': 'Self-raising: its leavening lies in it.',
    complete: 'Complete: all that is dry lies in it.'
  };
  const k = $derived(judgement.keeping);
</script>

<div class="bag">
  <h2>Cautions</h2>
  <ul class="cautions">
    {#each judgement.cautions as caution (caution.kind)}<li>{caution.say}</li>{/each}
    {#each judgement.over_usual as over (over.ingredient)}
      <li>
        {over.name} at {figure(over.flour_pct, 0)} % of flour, usually at most {figure(over.usual_max_pct, 0)} %:
        {over.reason}.
      </li>
    {/each}
  </ul>

  <div class="facts">
    <section>
      <h3>Kind of bag</h3>
      <p>{KINDS[judgement.bag.kind]}</p>
      {#if judgement.bag.bring.length}
        <p class="soft">
          For 100 g of mix the recipe brings {judgement.bag.bring
            .map(
              (b) => `${figure(b.g_per_100_g, b.g_per_100_g < 1 ? 2 : 1)} g ${b.binder.replaceAll('-', ' ')}`
            )
            .join(', or ')}.
        </p>
      {/if}
      <p class="small"><a href="#/method/bag">How a bag is judged</a></p>
    </section>
    <section>
      <h3>Binder</h3>
      <p>
        {binder.say}{#if binder.load !== null}&ensp;<span class="soft"
            >load {figure(binder.load, 2)} of 1</span
          >{/if}
      </p>
      {#each binder.doses as dose (dose.binder)}
        <p class="soft small">
          {dose.name}: {figure(dose.dose_pct, 1)} % of flour{#if dose.usual}, usual {figure(
              dose.usual.low_pct,
              1
            )}–{figure(dose.usual.high_pct, 1)} %{/if}
        </p>
      {/each}
      <p class="small"><a href="#/method/binder">How the load is worked out</a></p>
    </section>
    <section>
      <h3>Colour of the flour</h3>
      {#if colour && wheat}
        <div class="swatches">
          <div>
            <i style:background={css(colour)}></i><span class="small"
              >this mix, L* {figure(colour[0], 0)}</span
            >
          </div>
          <div>
            <i style:background={css(wheat)}></i><span class="small"
              >wheat flour, L* {figure(wheat[0], 0)}</span
            >
          </div>
        </div>
        <p class="soft small">A guide only: a mean of dry flours, not of the crumb.</p>
      {:else}
        <p class="soft">Unknown: a flour has no colour on record.</p>
      {/if}
    </section>
    <section>
      <h3>Keeping</h3>
      {#if k.months !== null}
        <p>
          {figure(k.months, 1)} months at {temperature(k.temp_c, kitchen.settings?.temp_unit ?? 'c')}, ended
          by {nameOf(k.ended_by ?? '').toLowerCase()}{k.cut_by_date ? ' (the date on its lot)' : ''}.
        </p>
      {:else}
        <p>Unknown for {k.unknown_parts.map(nameOf).join(', ')}.</p>
      {/if}
      <p class="soft small">Rule of thumb: half as long for every 10 °C warmer.</p>
    </section>
  </div>

  <h2>Nutrition of the dry mix</h2>
  <p class="soft small">
    ≥ marks a lower bound: what is not known is not counted as zero. A draft, not a label: local food law and
    a competent person decide.
  </p>
  <h3 class="mt-2">{judgement.rests ? 'By weight in the fit' : 'By mass'}, it rests on numbers that are</h3>
  <RestsOn {judgement} />
  {#if judgement.rests}<Surer rests={judgement.rests} />{/if}
  <Nutrition {parts} />
</div>

<style>
  h2 {
    margin: 0.75rem 0 0.35rem;
  }

  .cautions li {
    padding: 0.15rem 0 0.15rem 0.75rem;
    border-left: 3px solid var(--close);
    margin-bottom: 0.25rem;
  }

  .facts {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(12rem, 1fr));
    gap: 1.5rem;
    margin: 0.75rem 0;
  }

  .swatches {
    display: flex;
    gap: 0.75rem;
    margin: 0.25rem 0;
  }

  i {
    display: block;
    width: 5.5rem;
    height: 2rem;
    border: 1px solid var(--line);
  }
</style>
