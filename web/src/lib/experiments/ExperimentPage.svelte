<!-- An experiment: the stop sentence, the sieve map with its bakes, the point that is moved on it, what to do next. -->
<script lang="ts">
  import { wordsOf } from '../api/client';
  import { current } from '../app/current.svelte';
  import { undoing } from '../app/undo.svelte';
  import { figure } from '../ui/format';
  import { attempt } from '../ui/state/attempt';
  import { Latest } from '../ui/state/latest';
  import { loadOn } from '../ui/state/loading.svelte';
  import { notices } from '../ui/state/notices.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { loadExperiment, pointAt, saveExperiment, type Loaded, type Set } from './doing';
  import Facts from './map/Facts.svelte';
  import LineMap from './map/LineMap.svelte';
  import SieveMap from './map/SieveMap.svelte';
  import Slices from './map/Slices.svelte';
  import Acts from './side/Acts.svelte';
  import Bakes from './side/Bakes.svelte';
  import Checks from './side/Checks.svelte';
  import Joined from './side/Joined.svelte';
  import PointPanel from './side/PointPanel.svelte';
  import Setting from './side/Setting.svelte';
  import { askedOf, inOrder, type Experiment, type Point } from './types';

  const { params }: { params: { id: string } } = $props();
  const id = $derived(Number(params.id));
  let now = $state.raw<Loaded | null>(null);
  let trouble = $state('');
  let x = $state.raw<readonly number[]>([]);
  let point = $state.raw<Point | null>(null);
  let before = $state.raw<Set[]>([]);
  let saving: Promise<void> = Promise.resolve();
  const e = $derived(now?.experiment ?? null);
  const latest = new Latest<number[], Point>(
    (at) => pointAt(id, at),
    (found) => (point = found),
    (error) => notices.say(wordsOf(error), true)
  );

  async function load(experiment_id: number): Promise<void> {
    try {
      changed(await loadExperiment(experiment_id));
      trouble = '';
      current.brief = null;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  function changed(next: Loaded): void {
    now = next;
    const found = next.experiment;
    const parts = found.asked.parts.map((p) => p.name);
    if (x.length !== parts.length || !x.length) move(startOf(found, parts));
    else move(x);
  }

  /** Where the point stands first: the best there is, else today's blend. */
  const startOf = (found: Experiment, parts: readonly string[]): readonly number[] =>
    found.map ? inOrder(found.map.best.x, parts) : found.today;

  function move(next: readonly number[]): void {
    x = next;
    latest.ask([...next]);
  }

  const setOf = (found: Experiment): Set => ({
    name: found.name,
    note: found.note,
    archived: found.archived,
    asked: askedOf(found)
  });

  /** Saves one change after the other, each on the version that the one before it made. */
  function save(make: (was: Set) => Set, undone = false): void {
    saving = saving.then(() =>
      attempt(async () => {
        const was = setOf(now!.experiment);
        const next = await saveExperiment(id, make(was), now!.version);
        if (!undone) before = [...before.slice(-30), was];
        if (next.experiment.asked.parts.length !== x.length) x = [];
        changed(next);
      })
    );
  }

  $effect(() => {
    undoing.on = {
      get canUndo() {
        return before.length > 0;
      },
      canRedo: false,
      undo: () => {
        const last = before.at(-1);
        before = before.slice(0, -1);
        if (last) save(() => last, true);
      },
      redo: () => undefined
    };
    return () => (undoing.on = null);
  });

  const again = (): Promise<void> => load(id);
  loadOn(() => id, load);
</script>

<svelte:window onfocus={() => now && void again()} />

{#if trouble && !e}
  <Trouble say={trouble} {again} />
{:else if e}
  <div class="sides">
    <section class="left" aria-label="The map">
      <h1 data-says>{e.say}</h1>
      {#if e.map}
        <p class="small" data-gain>
          Best so far {figure(e.map.best.mean, 1)} ({figure(e.map.best.low, 1)} to {figure(
            e.map.best.high,
            1
          )}); today {figure(e.map.today.mean, 1)}. {e.map.gain.say}.{e.map.lucky
            ? ` ${e.map.lucky[0]?.toUpperCase()}${e.map.lucky.slice(1)}.`
            : ''}
        </p>
      {/if}
      {#if e.picture && e.asked.parts.length === 2}
        <LineMap experiment={e} {x} {move} />
      {:else if e.picture}
        <SieveMap experiment={e} {x} {move} />
        {#if e.asked.parts.length === 4}<Slices experiment={e} changed={(next) => (now = next)} />{/if}
      {/if}
      <Facts experiment={e} />
    </section>
    <section class="right" aria-label="The point and the bakes">
      <PointPanel experiment={e} {point} />
      {#if e.runs.length}<Bakes experiment={e} {changed} show={move} />{/if}
      <Joined experiment={e} show={move} />
      <Acts experiment={e} {x} inside={!!point?.inside} {changed} {move} />
      <Setting experiment={e} {point} {save} />
      <Checks experiment={e} />
      <p class="small soft">
        <a href="#/formula/{e.formula_id}">{e.formula_name}</a> on {e.blend_name}, revision {e.blend_revision}
      </p>
    </section>
  </div>
{:else}
  <p class="soft" role="status">Unrolling the map …</p>
{/if}

<style>
  .sides {
    display: grid;
    grid-template-columns: minmax(0, 1.45fr) minmax(26rem, 1fr);
    min-height: calc(100vh - var(--bar));
  }

  .left {
    padding: 0.9rem 1.25rem;
    border-right: 1px solid var(--hairline);
  }

  .right {
    padding: 0.9rem 1.25rem;
    background: var(--sheet);
    min-width: 0;
  }

  h1 {
    margin: 0 0 0.3rem;
    font-size: var(--title);
    max-width: 36rem;
    line-height: 1.25;
  }

  p {
    margin: 0.2rem 0;
  }

  @media (max-width: 1100px) {
    .sides {
      grid-template-columns: minmax(0, 1fr);
    }
  }

  @media (max-width: 560px) {
    .left,
    .right {
      padding: 0.75rem;
    }
  }
</style>
