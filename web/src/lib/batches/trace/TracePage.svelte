<!-- A trace: one sentence, three columns with ribbons as thick as their grams, whether every gram is found, hold and drill. -->
<script lang="ts">
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { day } from '../../ui/format';
  import { loadOn } from '../../ui/state/loading.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import { grams } from '../types';
  import Holding from './Holding.svelte';
  import { drawn, outline } from './ribbons';
  import TraceTable from './TraceTable.svelte';

  const { params }: { params: { kind: string; id: string } } = $props();
  let trace = $state.raw<Schemas['TraceOut'] | null>(null);
  let trouble = $state('');
  const isLot = $derived(params.kind === 'lot');
  const id = $derived(Number(params.id));
  const asked = $derived(trace?.lots.find((l) => l.asked));
  const heldWhy = $derived(asked?.held || (isLot ? '' : (trace?.batches[0]?.held ?? '')));
  const picture = $derived(trace ? drawn(trace, 330, 14) : null);
  const [LOTS, BATCHES, PLACES, WIDE] = [196, 520, 880, 40];

  async function load(): Promise<void> {
    try {
      const { data } = isLot
        ? await ask(api.GET('/api/v1/trace/lots/{lot_id}', { params: { path: { lot_id: id } } }))
        : await ask(api.GET('/api/v1/trace/batches/{batch_id}', { params: { path: { batch_id: id } } }));
      trace = data;
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  const roleOf = (lot_id: number | null): string => trace?.lots.find((l) => l.id === lot_id)?.role ?? 'other';
  loadOn(() => [params.kind, id], load);
</script>

{#if trouble && !trace}
  <Trouble say={trouble} again={load} />
{:else if trace && picture}
  {@const t = trace}
  <div class="page">
    <div class="page-head">
      <h1 data-says class:held={!!heldWhy}>{heldWhy ? `Held: ${heldWhy}. ` : ''}{t.say}</h1>
    </div>
    {#if asked}
      <p class="small soft">
        {asked.name}, {asked.supplier || 'supplier not recorded'}{asked.bought_on
          ? `, bought ${day(asked.bought_on)}`
          : ''}
        {asked.supplier_code ? `· sack ${asked.supplier_code}` : ''}
        · {asked.gluten_mg_per_kg === null
          ? '◆ no gluten value'
          : `gluten at most ${asked.gluten_mg_per_kg} mg/kg`}
      </p>
    {/if}
    <Holding kind={isLot ? 'lot' : 'batch'} {id} held={!!heldWhy} changed={load} />
    {#if t.batches.length}
      <svg
        viewBox="0 -26 1180 {picture.height + 40}"
        role="group"
        aria-label="{t.say} The table below says the same."
      >
        <text class="head" x="0" y="-12">lots, g drawn</text>
        <text class="head" x={BATCHES} y="-12">batches</text>
        <text class="head" x={PLACES} y="-12">where it is, g</text>
        {#each picture.ribbons as r (`${r.from} ${r.to}`)}
          {@const mine = t.lots.some((l) => l.asked && l.id === r.lot_id)}
          <path
            d={r.lot_id === null ? outline(r, BATCHES + WIDE, PLACES) : outline(r, LOTS + WIDE, BATCHES)}
            class="ribbon"
            class:mine
            style:fill={r.lot_id !== null && (mine || !asked) ? `var(--role-${roleOf(r.lot_id)})` : undefined}
          />
        {/each}
        {#each picture.lots as b, n (b.key)}
          {@const l = t.lots[n]!}
          <rect
            x={LOTS}
            y={b.y}
            width={WIDE}
            height={b.h}
            style:fill="var(--role-{l.role})"
            class="box"
            class:asked={l.asked}
          />
          <rect x={LOTS} y={b.y} width={WIDE} height={b.h} fill="url(#hatch-{l.role})" />
          <a href="#/trace/lot/{l.id}">
            <text x={LOTS - 8} y={b.y + Math.min(b.h, 26) / 2 + 4} class="end" class:strong={l.asked}
              >{l.held ? '■ ' : ''}{l.code} {l.name.toLowerCase()}, {grams(l.mass_g)}</text
            >
          </a>
        {/each}
        {#each picture.batches as b, n (b.key)}
          {@const x = t.batches[n]!}
          <rect x={BATCHES} y={b.y} width={WIDE} height={b.h} class="box plain" class:asked={!!x.held} />
          <a href="#/batch/{x.id}">
            <text x={BATCHES + WIDE + 8} y={b.y + 13} class="strong">{x.held ? '■ ' : ''}{x.code}</text>
            <text x={BATCHES + WIDE + 8} y={b.y + 29}>{x.name}, {grams(x.in_g)} g</text>
          </a>
        {/each}
        {#each picture.places as b, n (b.key)}
          <rect x={PLACES} y={b.y} width={WIDE} height={b.h} class="box plain" />
          <text
            x={PLACES + WIDE + 8}
            y={b.y + Math.min(b.h, 26) / 2 + 5}
            class:strong={!t.places[n]!.startsWith('in the')}
            >{t.places[n]}, {grams(
              t.links.filter((l) => l.place === t.places[n]).reduce((sum, l) => sum + l.mass_g, 0)
            )} g</text
          >
        {/each}
      </svg>
      <TraceTable trace={t} />
    {:else}
      <p>No batch was drawn from it. A weighing from this lot brings its batch here.</p>
    {/if}
  </div>
{:else}
  <p class="soft" role="status">Following the sacks …</p>
{/if}

<style>
  h1 {
    max-width: 60rem;
  }

  svg {
    display: block;
    width: 100%;
    margin: 0.75rem 0 0;
    overflow: visible;
  }

  .ribbon {
    fill: var(--hairline);
    fill-opacity: 0.55;
  }

  .ribbon.mine {
    fill-opacity: 0.95;
    stroke: var(--held);
    stroke-width: 0.6;
  }

  .box {
    stroke: var(--tube);
  }

  .plain {
    fill: var(--sheet);
  }

  .asked {
    stroke: var(--held);
    stroke-width: 2.5;
  }

  text {
    fill: var(--ink);
    font-size: 13px;
    paint-order: stroke;
    stroke: var(--ground);
    stroke-width: 3px;
  }

  .head {
    fill: var(--soft);
    font-size: 12px;
  }

  .end {
    text-anchor: end;
  }

  .strong {
    font-weight: 600;
  }

  @media (max-width: 760px) {
    svg {
      display: none;
    }
  }
</style>
