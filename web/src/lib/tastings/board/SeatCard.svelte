<!-- One seat: who sits there, what blocks it and what may be done, its sheet, and whether it counts. -->
<script lang="ts">
  import { attempt } from '../../ui/state/attempt';
  import { dropSeat, leaveOut, type Loaded } from '../doing';
  import { spaced, type Mat, type Tasting } from '../types';
  import Lift from './Lift.svelte';
  import QuickEntry from './QuickEntry.svelte';

  interface Props {
    tasting: Tasting;
    mat: Mat;
    changed: (next: Loaded) => void;
    again: () => Promise<void>;
    link: () => void;
  }
  const { tasting: t, mat, changed, again, link }: Props = $props();
  let typing = $state(false);
  let dropping = $state(false);
  let why = $state('');
  const standing = $derived(mat.blocks.filter((b) => !b.done));
  const nameOf = (sample: number): string => t.samples.find((s) => s.number === sample)?.name ?? '';
  const avoids = $derived(
    [
      ...(mat.coeliac ? ['coeliac disease'] : []),
      ...mat.allergies.map((a) => `${spaced(a)} (allergy)`),
      ...mat.by_choice.map((a) => `${spaced(a)} (by choice)`)
    ].join(', ')
  );

  async function drop(): Promise<void> {
    changed(await dropSeat(t.id, mat.number, why));
    dropping = false;
    why = '';
  }
</script>

<article class:blocked={standing.length > 0}>
  <h3>Seat {mat.number}{mat.name ? `, ${mat.name}` : ''}</h3>
  <p class="small">
    {avoids
      ? `Avoids ${avoids}.`
      : mat.asked
        ? 'Named nothing to avoid.'
        : 'Is asked what it avoids before its first code.'}
    {mat.dropped ? `Taken out: ${mat.dropped}.` : ''}
  </p>
  {#each standing as block (block.sample + block.what)}
    <div class="block">
      <p><b>{nameOf(block.sample)}</b>: {block.say}. Nothing is served at this seat until that is met.</p>
      <div class="row">
        <button
          class="action main"
          onclick={() => attempt(async () => changed(await leaveOut(t.id, mat.number, block.sample)))}
          >Leave it out here</button
        >
        {#if block.liftable}<Lift tasting={t} {mat} sample={block.sample} {changed} />{/if}
      </div>
    </div>
  {/each}
  {#each mat.blocks.filter((b) => b.done) as block (block.sample + block.what)}
    <p class="small">{nameOf(block.sample)}: {block.say}; {block.done}.</p>
  {/each}
  {#if !mat.dropped && t.stage !== 'setting'}
    <div class="row">
      {#if t.stage === 'open' && !standing.length}
        <button class="action" onclick={link}>Link and code <kbd>L</kbd></button>
      {/if}
      {#if !standing.length}
        <button class="action" aria-expanded={typing} onclick={() => (typing = !typing)}
          >Type its paper sheet in</button
        >
      {/if}
      <button class="action" aria-expanded={dropping} onclick={() => (dropping = !dropping)}
        >Take this seat out</button
      >
    </div>
    {#if dropping}
      <form
        class="row"
        onsubmit={(e) => {
          e.preventDefault();
          void attempt(drop);
        }}
      >
        <label>Why it does not count <input bind:value={why} maxlength="300" required /></label>
        <button class="action main" disabled={!why.trim()}>Take it out</button>
        <span class="small soft">The result is shown with it and without.</span>
      </form>
    {/if}
    {#if typing && !standing.length}
      {#key mat.number}<QuickEntry tasting={t} seat={mat.number} saved={again} />{/key}
    {/if}
  {/if}
</article>

<style>
  article {
    padding: 0.7rem 0.9rem;
    border: 1px solid var(--hairline);
  }

  .blocked {
    border-color: var(--held);
  }

  h3 {
    margin: 0;
    font-size: var(--lead);
  }

  p {
    margin: 0.2rem 0 0.5rem;
  }

  .block {
    padding: 0.5rem 0.7rem;
    margin-bottom: 0.5rem;
    border-left: 4px solid var(--held);
    background: var(--held-wash);
  }

  .row {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: end;
    margin-top: 0.4rem;
  }

  input {
    display: block;
    width: 16rem;
    min-height: 40px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: transparent;
  }
</style>
