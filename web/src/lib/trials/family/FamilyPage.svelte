<!-- The family of a formula as a section through the ground: revisions as strata, bakes as pebbles, time upward. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { api, ask, wordsOf, type Schemas } from '../../api/client';
  import { loadOn } from '../../ui/state/loading.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import Trouble from '../../ui/Trouble.svelte';
  import Difference from '../Difference.svelte';
  import Next from './Next.svelte';
  import Plane from './Plane.svelte';
  import PlaneBar from './PlaneBar.svelte';
  import Stratum from './Stratum.svelte';
  import Taught from './Taught.svelte';

  const { params }: { params: { id: string } } = $props();
  const AT_ONCE = 8;
  type Family = Schemas['Family'];
  let family = $state.raw<Family | null>(null);
  let trouble = $state('');
  let last = $state<number | null>(null);
  let pair = $state.raw<[number, number] | null>(null);
  let all = $state(false);
  const id = $derived(Number(params.id));
  /** The first line, the newest on top; branches stand beside the stratum that they begin from. */
  const line = $derived((family?.strata ?? []).filter((s) => s.column === 0).reverse());
  const shown = $derived(all ? line : line.slice(0, AT_ONCE));
  const folded = $derived(line.slice(shown.length));
  const branches = (revision: number): Family['strata'] =>
    (family?.strata ?? []).filter((s) => s.column > 0 && root(s) === revision);
  const planeTo = (revision: number): Family['planes'][number] | undefined =>
    family?.planes.find((p) => p.after === revision);

  /** The stratum of the first line that a branch goes back to. */
  function root(s: Family['strata'][number]): number {
    let at = s;
    while (at.column > 0 && at.parent !== null)
      at = family!.strata.find((x) => x.revision === at.parent) ?? { ...at, column: 0 };
    return at.revision;
  }

  async function load(formula_id: number): Promise<void> {
    trouble = '';
    try {
      const path = { formula_id };
      family = (await ask(api.GET('/api/v1/formulas/{formula_id}/family', { params: { path } }))).data;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  /** Up and down along a line, left and right across branches, = compares with the last that was chosen. */
  function key(event: KeyboardEvent): void {
    const here = (event.target as HTMLElement).closest<HTMLElement>('[data-trial]');
    if (!here) return;
    const pebbles = [...document.querySelectorAll<HTMLElement>('[data-trial]')];
    const mine = pebbles.filter((p) => p.dataset.line === here.dataset.line);
    const at = mine.indexOf(here);
    const trial = Number(here.dataset.trial);
    if (event.key === 'ArrowUp' || event.key === 'ArrowDown')
      mine[at + (event.key === 'ArrowDown' ? 1 : -1)]?.focus();
    else if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') across(pebbles, here, event.key);
    else if (event.key === '=' && last !== null && last !== trial)
      pair = [Math.min(last, trial), Math.max(last, trial)];
    else return;
    event.preventDefault();
  }

  function across(pebbles: HTMLElement[], here: HTMLElement, way: string): void {
    const lines = [...new Set(pebbles.map((p) => Number(p.dataset.line)))].sort((a, b) => a - b);
    const to = lines[lines.indexOf(Number(here.dataset.line)) + (way === 'ArrowRight' ? 1 : -1)];
    pebbles.find((p) => Number(p.dataset.line) === to)?.focus();
  }

  loadOn(() => id, load);
</script>

<svelte:window
  onkeydown={key}
  onfocusout={(e) => (last = Number((e.target as HTMLElement).dataset?.trial) || last)}
/>

{#if trouble}
  <Trouble say={trouble} again={() => load(id)} />
{:else if family}
  <div class="page">
    <div class="page-head">
      <h1>{family.say}</h1>
      <a class="action" href="#/last/{id}">Last bakes</a>
      <button class="action main" onclick={() => push(`/bake/${id}`)}>Bake it</button>
    </div>
    <p class="small soft">
      <a href="#/formula/{id}">{family.name}</a> · {family.more}. Time runs upward. Enter opens a bake, =
      compares it with the last one you stood on.
    </p>
    <Next formula_id={id} />
    <ol class="strata">
      {#each shown as s, n (s.revision)}
        {@const plane = n > 0 ? planeTo(shown[n - 1]!.revision) : undefined}
        <li class="row">
          <div class="ground">
            {#if plane}<PlaneBar {plane} />{/if}
            <Stratum stratum={s} line={0} />
          </div>
          <div class="beside">
            {#if plane}<Plane {plane} changed={() => load(id)} />{/if}
            {#each branches(s.revision) as b (b.revision)}
              <div class="branch">
                <Stratum stratum={b} line={b.column} />
                {#if planeTo(b.revision)}<Plane plane={planeTo(b.revision)!} changed={() => load(id)} />{/if}
              </div>
            {/each}
          </div>
        </li>
      {:else}
        <li class="none">No revision is kept yet: bake it, and what you bake is kept as its first.</li>
      {/each}
    </ol>
    {#if folded.length}
      <button class="action" onclick={() => (all = true)}
        >{folded.length} older revisions, {folded.reduce((sum, s) => sum + s.trials.length, 0)} bakes</button
      >
    {/if}
    <Taught formula_id={id} />
  </div>
  <Sheet open={pair !== null} title="Side by side" wide onclose={() => (pair = null)}>
    {#if pair}<Difference a={pair[0]} b={pair[1]} />{/if}
  </Sheet>
{:else}
  <p class="soft" role="status">Digging …</p>
{/if}

<style>
  .strata {
    margin: 1rem 0;
  }

  .row {
    display: grid;
    align-items: stretch;
    grid-template-columns: minmax(17rem, 24rem) minmax(0, 1fr);
    gap: 1.5rem;
  }

  .ground {
    display: flex;
    flex-direction: column;
  }

  .beside {
    min-width: 0;
    padding-bottom: 0.9rem;
  }

  .branch {
    position: relative;
    margin: 0.4rem 0 0.6rem;
    max-width: 26rem;
  }

  .branch::before {
    content: '';
    position: absolute;
    left: -1.5rem;
    top: 1.6rem;
    width: 1.5rem;
    border-top: 1px solid var(--ink);
  }

  .none {
    padding: 1rem 0;
  }

  @media (max-width: 860px) {
    .row {
      grid-template-columns: 1fr;
      gap: 0.5rem;
    }

    .branch {
      margin-left: 1.5rem;
    }
  }
</style>
