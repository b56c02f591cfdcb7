<!-- One fault opened: its causes with p as a word and a number, what speaks for and against, and what to try. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { shownCauses, type Cause, type Fault, type Trial } from '../types';
  import { putBack, tryCause } from './trying';

  const { trial, fault, changed }: { trial: Trial; fault: Fault; changed: () => Promise<void> } = $props();
  let all = $state(false);
  let tried = $state.raw<Schemas['TriedOut'] | null>(null);
  let of = $state('');
  const shown = $derived(all ? fault.causes : shownCauses(fault.causes));
  const W = 120;
  const speaks = $derived(fault.causes.some((c) => c.likelihood));

  async function make(c: Cause): Promise<void> {
    tried = await tryCause(trial, fault, c);
    of = c.cause;
    await changed();
  }

  async function back(): Promise<void> {
    if (tried) await putBack(tried);
    tried = null;
  }

  const silent = (c: Cause): string => (c.not_noted.length && !c.evidence ? 'nothing noted of it' : '');
</script>

<div class="card">
  {#if !speaks}<p class="small">{fault.say}</p>{/if}
  <ol>
    {#each shown as c (c.cause)}
      <li data-cause={c.cause}>
        <div class="top">
          <span class="rank num">{c.rank}</span>
          <b>{c.name}</b>
          <svg width={W} height="12" aria-hidden="true"
            ><rect class="of" width={W} height="12" /><rect class="p" width={W * c.p} height="12" /></svg
          >
          <span class="small">{c.likelihood} <span class="num">{c.p.toFixed(2)}</span></span>
        </div>
        <p>{c.say}</p>
        {#if c.against}<p class="small">Against it: {c.against}</p>{/if}
        {#if c.lesson}<p class="small" data-lesson>{c.lesson}</p>{/if}
        {#if silent(c)}<p class="small soft">{silent(c)}</p>{/if}
        <p class="try">
          <button class="action" onclick={() => attempt(() => make(c))}>Try it</button>
          <span
            >{c.change.say}{#if c.change.side_effect !== 'none'}
              <span class="soft small"> Costs: {c.change.side_effect}.</span>{/if}</span
          >
        </p>
        {#if tried && of === c.cause && tried.page}
          <p class="made" role="status">
            {tried.say}
            <a href="#{tried.page}">Look at the draft</a>
            {#if tried.undo.kind}<button class="link" onclick={() => attempt(back)}>Put it back</button>{/if}
          </p>
        {/if}
      </li>
    {/each}
  </ol>
  <p class="small">
    Something else: <span class="num">{fault.something_else.toFixed(2)}</span>.
    {#if speaks}{fault.say}{/if}
    {#if fault.causes.length > shown.length || all}
      <button class="link" onclick={() => (all = !all)}
        >{all ? 'only the likely ones' : `all ${fault.causes.length} causes`}</button
      >
    {/if}
  </p>
  {#if fault.asks}<p class="asks">{fault.asks} It would tell most.</p>{/if}
  <p class="small soft">
    One thing at a time: with two changes the next bake will not tell which helped. The number is how this
    kitchen's tables weigh it, not a measured frequency. <a href="#/method/faults">How is this worked out?</a>
  </p>
</div>

<style>
  .card {
    padding: 0 0 0.9rem 1.4rem;
  }

  li {
    padding: 0.5rem 0;
  }

  .top {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    flex-wrap: wrap;
  }

  .rank {
    color: var(--soft);
  }

  svg {
    margin-left: auto;
  }

  .of {
    fill: var(--ground);
    stroke: var(--hairline);
  }

  .p {
    fill: var(--flax);
  }

  .try {
    display: flex;
    gap: 0.7rem;
    align-items: baseline;
    margin-top: 0.35rem;
  }

  .try .action {
    flex: none;
  }

  .made {
    margin-top: 0.35rem;
    padding: 0.4rem 0.7rem;
    border-left: 4px solid var(--passes);
    background: var(--passes-wash);
  }

  .asks {
    padding: 0.4rem 0.7rem;
    border-left: 4px solid var(--flax);
    background: var(--flax-wash);
  }
</style>
