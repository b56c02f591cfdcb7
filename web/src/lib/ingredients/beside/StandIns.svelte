<!-- What could stand in for a flour: the nearest, and what would change. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { asNumber } from '../../ui/change';
  import { figure, signed } from '../../ui/format';
  import RoleChip from '../shelf/RoleChip.svelte';
  import Choice from '../../ui/Choice.svelte';
  import { loadOn } from '../../ui/state/loading.svelte';

  interface Props {
    flours: readonly Schemas['SideFlourOut'][];
    beside: readonly string[];
    full: boolean;
    onadd: (slug: string) => void;
  }
  const { flours, beside, full, onadd }: Props = $props();
  let chosen = $state('');
  let way = $state<'behaviour' | 'composition' | 'both'>('behaviour');
  let items = $state.raw<Schemas['StandInOut'][]>([]);
  let open = $state('');
  let trouble = $state('');
  const slug = $derived(flours.some((f) => f.slug === chosen) ? chosen : (flours[0]?.slug ?? ''));
  const ways = [
    { name: 'behaviour', label: 'what it does in dough' },
    { name: 'composition', label: 'what is in it' },
    { name: 'both', label: 'both' }
  ];
  const furthest = $derived(Math.max(0.5, ...items.map((i) => i.found.distance)));

  async function load(asked: { slug: string; way: typeof way }): Promise<void> {
    if (!asked.slug) return;
    try {
      const params = { path: { slug: asked.slug }, query: { way: asked.way } };
      items = (await ask(api.GET('/api/v1/ingredients/{slug}/stand-ins', { params }))).data.items;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  loadOn(() => ({ slug, way }), load);

  function also(item: Schemas['StandInOut']): string {
    return [
      item.stock_g > 0 ? `${figure(item.stock_g / 1000, 1)} kg in stock` : 'not in stock',
      item.gluten === 'known' ? 'gluten tested' : 'gluten unknown'
    ].join(' · ');
  }
</script>

<section>
  <h2>
    What could stand in for
    <Choice
      label="For"
      none=""
      single
      options={flours.map((f) => ({ name: f.slug, label: f.name.toLowerCase() }))}
      chosen={[slug]}
      onchange={(c) => (chosen = c[0] ?? '')}
      after=","
    /> by
    <Choice
      label="By"
      none=""
      single
      options={ways}
      chosen={[way]}
      onchange={(c) => (way = (c[0] ?? 'both') as typeof way)}
      after="?"
    />
  </h2>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  <ol>
    {#each items as item (item.found.ingredient)}
      {@const f = item.found}
      <li>
        <RoleChip role={item.role} />
        <a href="#/ingredients/{f.ingredient}">{f.name}</a>
        <span class="far" title="Distance in spreads over the shelf">
          <span class="bar" aria-hidden="true"><i style:width="{(100 * f.distance) / furthest}%"></i></span>
          <span class="num small">{figure(f.distance, 2)}</span>
        </span>
        <span class="say">{f.say} <span class="soft small">{also(item)}</span></span>
        <button
          class="link small"
          aria-expanded={open === f.ingredient}
          onclick={() => (open = open === f.ingredient ? '' : f.ingredient)}>how far</button
        >
        {#if beside.includes(f.ingredient)}<span class="soft small">beside</span>
        {:else}<button class="link small" disabled={full} onclick={() => onadd(f.ingredient)}
            >put beside<span class="sr-only"> {f.name}</span></button
          >{/if}
        {#if open === f.ingredient}
          <table class="lines small">
            <thead>
              <tr>
                <th scope="col">Property</th>
                <th scope="col" class="num">from</th>
                <th scope="col" class="num">to</th>
                <th scope="col">unit</th>
                <th scope="col" class="num">spreads apart</th>
                <th scope="col" class="num">of the distance, %</th>
              </tr>
            </thead>
            <tbody>
              {#each f.changes as { change, spreads, share_pct } (change.what)}
                <tr>
                  <th scope="row">{change.label}</th>
                  <td class="num">{figure(asNumber(change.before), 2)}</td>
                  <td class="num">{figure(asNumber(change.after), 2)}</td>
                  <td>{change.unit}</td>
                  <td class="num">{signed(spreads, 2)}</td>
                  <td class="num">{figure(share_pct, 0)}</td>
                </tr>
              {/each}
            </tbody>
          </table>
        {/if}
      </li>
    {/each}
  </ol>
  <p class="soft small">
    Distance: the root mean square of the differences, each divided by its spread over the shelf. It orders;
    it promises nothing. <a href="#/method/stand-ins">The method</a>
  </p>
</section>

<style>
  section {
    margin-top: 1.5rem;
  }

  h2 {
    padding-bottom: 0.35rem;
    border-bottom: 2px solid var(--ink);
  }

  li {
    display: grid;
    grid-template-columns: auto 13rem 8.5rem minmax(0, 1fr) auto auto;
    align-items: center;
    gap: 0 0.75rem;
    min-height: 38px;
    padding: 0.2rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .far {
    display: flex;
    align-items: center;
    gap: 0.5rem;
  }

  .bar {
    width: 5.5rem;
    height: 6px;
    background: var(--hairline);
  }

  .bar i {
    display: block;
    height: 100%;
    background: var(--flax);
  }

  table {
    grid-column: 2 / -1;
    margin: 0.4rem 0;
  }

  @media (max-width: 800px) {
    li {
      grid-template-columns: auto minmax(0, 1fr) auto;
    }

    .say {
      grid-column: 1 / -1;
    }
  }
</style>
