<!-- Weighing up, one part after the other: the batch's column rises, what is missing stands large, one tap takes it. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { wordsOf } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { loadOn } from '../../ui/state/loading.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import { bringTo, foundEmpty, loadBatch } from '../doing';
  import BatchColumn from '../plan/BatchColumn.svelte';
  import { grams, partNow, standsAt, type Batch, type Lot } from '../types';
  import { awake } from './awake';
  import { WeighBench } from './bench.svelte';
  import Binder from './Binder.svelte';
  import LotOfPour from './LotOfPour.svelte';
  import OverPoured from './OverPoured.svelte';
  import Pour from './Pour.svelte';
  import Zoom from './Zoom.svelte';

  const { params }: { params: { id: string } } = $props();
  const id = $derived(Number(params.id));
  // svelte-ignore state_referenced_locally
  const bench = new WeighBench(Number(params.id));
  let batch = $state.raw<Batch | null>(null);
  let trouble = $state('');
  let chosen = $state('');
  let picked = $state.raw<{ of: string; lot: Lot | null; why: string } | null>(null);
  let left = $state.raw<ReadonlySet<string>>(new Set());
  const part = $derived(
    batch
      ? partNow(
          batch.parts.filter((p) => !left.has(p.ingredient)),
          chosen
        )
      : undefined
  );
  const step = $derived(Number(batch?.making.step_g ?? 1));
  const lot = $derived.by(() => {
    if (!part) return null;
    if (picked?.of === part.ingredient) return picked.lot;
    return part.lots.find((l) => l.id === part.draws[0]?.id) ?? part.lots.find((l) => !l.why_not) ?? null;
  });
  const onPan = $derived(Math.max(0, bench.shown?.mass_g ?? 0));
  const in_g = $derived(part ? part.poured_g + onPan : 0);
  const missing = $derived(part ? part.target_g - in_g : 0);
  const stands = $derived(part ? standsAt(part, in_g) : 'open');
  const next = $derived(
    batch?.parts.find((p) => p !== part && (p.stands === 'open' || p.stands === 'close'))
  );
  const allIn = $derived(batch?.parts.every((p) => p.stands === 'passes' || p.stands === 'held') ?? false);
  const done = $derived(batch?.parts.filter((p) => p.stands === 'passes').length ?? 0);

  async function load(batch_id: number): Promise<void> {
    try {
      batch = await loadBatch(batch_id);
      trouble = '';
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  /** Takes what was poured: what the scale shows while it stands still, or a mass that was typed. */
  async function take(typed_g?: number): Promise<void> {
    if (!part || !batch) return;
    const typed = typed_g !== undefined;
    const net_g = typed ? typed_g : onPan;
    if (net_g <= 0 || (!typed && !bench.still)) return;
    const gross_g = typed ? net_g : (bench.shown?.gross_g ?? net_g);
    const refused = await bench.weigh({
      key: crypto.randomUUID(),
      batch_id: batch.id,
      body: {
        ingredient: part.ingredient,
        net_g,
        lot_id: lot?.id ?? null,
        gross_g,
        tare_g: Math.max(0, gross_g - net_g),
        typed,
        stable: true,
        why: picked?.of === part.ingredient ? picked.why : ''
      }
    });
    if (refused) return notices.say(refused, true);
    if (!typed) await bench.tare();
    await load(id);
  }

  function goNext(): void {
    chosen = next?.ingredient ?? '';
    void bench.tare();
  }

  const emptied = (gone: Lot): Promise<void> =>
    attempt(async () => {
      const missing_g = await foundEmpty(id, gone.id);
      notices.say(`${gone.code} is counted as empty: ${grams(missing_g)} g of its books were not there`);
      picked = null;
      await load(id);
    });

  async function blended(): Promise<void> {
    await attempt(async () => {
      await bringTo(batch!, { to: 'blended', fate: {}, why: '' });
      await push(`/batch/${id}`);
    });
  }

  function key(event: KeyboardEvent): void {
    const at = event.target as HTMLElement | null;
    if (event.ctrlKey || event.metaKey || event.altKey || at?.matches('input, select, textarea, .sheet *'))
      return;
    const name = event.key.toLowerCase();
    if (name === 'enter' && !at?.matches('button, a')) void take();
    else if (name === 't') void bench.tare();
    else if (name === 'n') goNext();
    else return;
    event.preventDefault();
  }

  $effect(() => bench.watch());

  $effect(awake);

  loadOn(() => id, load);
</script>

<svelte:window onkeydown={key} ononline={() => void bench.flush().then(() => load(id))} />

{#if trouble && !batch}
  <Trouble say={trouble} again={() => load(id)} />
{:else if batch && batch.state !== 'weighing'}
  <div class="page">
    <h1>{batch.say}</h1>
    <a class="action main" href="#/batch/{batch.id}">To the batch</a>
  </div>
{:else if batch && part}
  {@const b = batch}
  {@const p = part}
  <div class="weigh">
    <header>
      <a href="#/batch/{b.id}"><b>{b.name}</b> <span class="small soft">revision {b.revision}</span></a>
      <span class="num">{b.code}</span>
    </header>
    <div class="says">
      <h1 data-says aria-live="polite">
        {#if bench.shown?.overload}■ Overload: take something off the scale.
        {:else if allIn}All parts are in.
        {:else if stands === 'passes'}{p.name} passes: take it.
        {:else if stands === 'held'}■ {grams(-missing, step)} g of {p.name.toLowerCase()} too much.
        {:else}{grams(missing, step)} g of {p.name.toLowerCase()} still to pour.{/if}
      </h1>
      <p class="small soft">
        {done} of {b.parts.length} parts are in · {grams(b.in_g, step)} of {grams(b.need_g, step)} g weighed
        {#if bench.waiting}<span class="close">· ◆ {bench.waiting} wait to be kept</span>{/if}
      </p>
    </div>
    <div class="columns">
      <BatchColumn batch={b} now={p.ingredient} height={330} choose={(slug) => (chosen = slug)} />
      <Zoom part={p} {in_g} {step} />
    </div>
    <div class="below">
      {#if p.poured_g > p.high_g}
        <OverPoured
          batch={b}
          part={p}
          changed={(now) => (batch = now)}
          leave={() => (left = new Set([...left, p.ingredient]))}
        />
      {/if}
      <Pour {bench} part={p} {in_g} {missing} {step} {stands} next={next ?? null} {take} {goNext} />
      <LotOfPour
        part={p}
        {lot}
        choose={(chosenLot, why) => (picked = { of: p.ingredient, lot: chosenLot, why })}
        empty={emptied}
      />
      <Binder batch={b} />
      {#if allIn}<button class="action main wide" onclick={blended}>All is in: it is blended</button>{/if}
    </div>
  </div>
{:else}
  <p class="soft" role="status">Taring …</p>
{/if}

<style>
  .weigh {
    display: grid;
    grid-template-columns: minmax(20rem, 30rem) minmax(20rem, 34rem);
    grid-template-areas: 'head head' 'says below' 'columns below';
    gap: 0 2rem;
    max-width: 70rem;
    margin: 0 auto;
    padding: 0.5rem 1rem 1rem;
  }

  header {
    grid-area: head;
    display: flex;
    justify-content: space-between;
    border-bottom: 1px solid var(--hairline);
    padding: 0.3rem 0;
  }

  header a {
    color: var(--ink);
    text-decoration: none;
  }

  .says {
    grid-area: says;
  }

  h1 {
    margin: 0.5rem 0 0.1rem;
  }

  .columns {
    grid-area: columns;
    display: grid;
    grid-template-columns: minmax(0, 1.2fr) minmax(0, 1fr);
    gap: 0.5rem;
    padding-top: 0.5rem;
  }

  .below {
    grid-area: below;
    display: grid;
    gap: 0.6rem;
    align-content: start;
    padding-top: 0.75rem;
  }

  .wide {
    min-height: 56px;
  }

  @media (max-width: 760px) {
    .weigh {
      grid-template-columns: minmax(0, 1fr);
      grid-template-areas: 'head' 'says' 'columns' 'below';
    }

    .says {
      position: sticky;
      top: 0;
      z-index: 1;
      background: var(--ground);
    }
  }
</style>
