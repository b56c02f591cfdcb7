<!-- What a host does while a table is open or closed: hands sheets out, sees to blocks, types paper in, closes, unblinds. -->
<script lang="ts">
  import { attempt } from '../../ui/state/attempt';
  import { keepAnswer } from '../../api/saving';
  import { closeTasting, unblindTasting, type Loaded } from '../doing';
  import { methodLabel, type Tasting } from '../types';
  import Late from './Late.svelte';
  import Links from './Links.svelte';
  import SeatCard from './SeatCard.svelte';

  interface Props {
    tasting: Tasting;
    seat: number;
    changed: (next: Loaded) => void;
    again: () => Promise<void>;
  }
  const { tasting: t, seat, changed, again }: Props = $props();
  let linking = $state<'all' | 'seat' | null>(null);
  let late = $state(false);
  let who = $state('');
  const isOpen = $derived(t.stage === 'open');
  const mat = $derived(t.mats.find((m) => m.number === seat) ?? t.mats[0] ?? null);
  const waiting = $derived(t.mats.filter((m) => !m.dropped && m.stands !== 'handed in').length);

  async function paper(): Promise<void> {
    await keepAnswer(`/api/v1/tastings/${t.id}/paper`, 'sheets.pdf');
  }

  async function close(): Promise<void> {
    changed(await closeTasting(t.id));
  }

  async function unblind(): Promise<void> {
    changed(await unblindTasting(t.id, who));
  }

  function key(event: KeyboardEvent): void {
    const at = event.target as HTMLElement | null;
    if (at?.matches('input, textarea, select') || event.ctrlKey || event.metaKey || event.altKey || !isOpen)
      return;
    if (event.key.toLowerCase() === 'l') linking = 'seat';
    else if (event.key.toLowerCase() === 'p') void attempt(paper);
    else return;
    event.preventDefault();
  }
</script>

<svelte:window onkeydown={key} />

<section class="host" aria-label="What the host does">
  {#if isOpen}
    <h2>Serve by the plating sheet, codes on the plates.</h2>
    <p class="small soft">
      Two people keep it blind: one plates, one hosts. Here stand codes and never scores; which is which
      stands on the plating sheet alone.
    </p>
    <div class="row">
      <button class="action main" onclick={() => (linking = 'all')}>Onto phones</button>
      <button class="action" onclick={() => attempt(paper)}>Paper sheets <kbd>P</kbd></button>
      <a class="action" href="#/plating/{t.id}">Plating sheet</a>
      <button class="action" onclick={() => (late = true)}>Somebody comes late</button>
    </div>
  {:else}
    <h2>Closed. No sheet answers any more.</h2>
    <p class="small soft">
      Before you unblind: a seat that must not count is taken out now, with a reason. Unblinding is done once;
      then the answers are frozen.
    </p>
    <form
      class="row"
      onsubmit={(e) => {
        e.preventDefault();
        void attempt(unblind);
      }}
    >
      <label>Who unblinds <input bind:value={who} maxlength="80" required /></label>
      <button class="action main" disabled={!who.trim()}>Unblind, once</button>
      <a class="action" href="#/plating/{t.id}">Plating sheet</a>
    </form>
  {/if}
  {#if mat}<SeatCard tasting={t} {mat} {changed} {again} link={() => (linking = 'seat')} />{/if}
  {#if isOpen}
    <div class="end">
      <button class="action" onclick={() => attempt(close)}>Close the table</button>
      <span class="small soft"
        >{waiting
          ? `${waiting} ${waiting === 1 ? 'seat has' : 'seats have'} not handed in`
          : 'Everybody handed in'}</span
      >
    </div>
  {/if}
  <details class="small">
    <summary>How it is set: {methodLabel(t.asked.main)}, fixed at opening; what was done</summary>
    <p>
      The difference worth having is {t.asked.worth} of 9{t.asked.margin
        ? `; a margin of ${t.asked.margin} was set beforehand`
        : ''}{t.asked.looks > 1 ? `; one of ${t.asked.looks} planned looks` : ''}.
      {#if t.asked.just_right.length}Just about right: {t.asked.just_right.join(', ')}.{/if}
      {#if t.asked.words.length}Words: {t.asked.words.join(', ')}.{/if}
    </p>
    <ol>
      {#each t.log as line, n (n)}
        <li>
          {new Date(line.at).toLocaleString()}: {line.what}{line.who ? ` by ${line.who}` : ''}{line.detail
            ? `, ${line.detail}`
            : ''}
        </li>
      {/each}
    </ol>
  </details>
  <p class="caution small">
    Somebody who must not eat something asks you before they taste. Nothing here says that a sample is free of
    anything; local law and those who are qualified decide.
  </p>
</section>
<Links
  tasting={t}
  seat={linking === 'seat' ? (mat?.number ?? null) : null}
  open={linking !== null}
  onclose={() => (linking = null)}
/>
<Late tasting={t} open={late} onclose={() => (late = false)} {changed} />

<style>
  .host {
    padding: 1rem 1.5rem;
    background: var(--sheet);
  }

  h2 {
    margin: 0;
    font-size: var(--title);
  }

  .row,
  .end {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: end;
    margin: 0.7rem 0 1rem;
  }

  .end {
    align-items: center;
  }

  input {
    display: block;
    min-height: 40px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: transparent;
  }

  details {
    margin-top: 1.2rem;
  }

  summary {
    min-height: 32px;
    color: var(--flax);
    cursor: pointer;
  }

  .caution {
    color: var(--close);
  }
</style>
