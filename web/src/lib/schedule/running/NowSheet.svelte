<script lang="ts">
  import { api } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { dayAndTime, lasting, minutesBetween, timeOf } from '../clock';
  import { judgeBake } from '../making';
  import { nowIs } from '../now.svelte';
  import type { ScheduleBench } from '../schedule.svelte';
  import type { Step } from '../types';
  import Due from './Due.svelte';
  import ReadingSheet from './ReadingSheet.svelte';
  import Resting from './Resting.svelte';
  import { countsTo, doneAt, endedRises, heatedAt, momentOf, notYet, ovensDue, type Heat } from './running';

  const { bench }: { bench: ScheduleBench } = $props();
  const now = nowIs(() => bench.judgement?.now);
  const moment = $derived(momentOf(bench.steps, now.ms));
  const due = $derived(moment.now ?? null);
  const target = $derived.by(() => {
    if (!due) return moment.next[0] ? Date.parse(moment.next[0].at) : null;
    return Date.parse(countsTo(due, now.ms));
  });
  const late = $derived(target !== null && target < now.ms);
  let reading = $state<Step | null>(null);
  const readable = $derived(moment.resting.find((s) => s.kind === 'ferment') ?? moment.resting[0] ?? due);

  async function done(step: Step): Promise<void> {
    const before = bench.content;
    bench.commit(doneAt(bench, step, now.ms));
    const rises = endedRises(before, bench.content, bench.steps);
    if (rises.length && (await bench.save.flush())) await Promise.all(rises.map(learn));
  }

  const ovens = $derived(ovensDue(bench, bench.shown?.heating ?? [], now.ms));

  /** An oven is switched on, or hot: what it took is learnt. */
  async function heat(h: Heat, on: boolean): Promise<void> {
    bench.commit(heatedAt(bench, h, now.ms));
    if (on && (await bench.save.flush())) await learn(h);
  }

  /** A step that taught something: a rise ended as what follows it began, an oven is hot, a dough was measured. */
  async function learn({ product, step }: { product: string; step: string }): Promise<void> {
    const params = { path: { document_id: bench.head.id } };
    await api.POST('/api/v1/schedules/{document_id}/observations', { params, body: { product, step } });
  }
</script>

<div class="phone">
  <header>
    <a href="#/schedule/{bench.head.id}">{bench.head.name}</a>
    <span class="soft">{dayAndTime(now.ms, bench.zone)}</span>
  </header>
  {#if !bench.shown}
    <p class="soft" role="status">
      {bench.trouble || (bench.isEmpty ? 'Nothing to be ready yet.' : 'Finding the times …')}
    </p>
  {:else}
    <Due {due} next={moment.next[0] ?? null} {target} {late} now={now.ms} zone={bench.zone} />
    {#if !due && !moment.next.length && !moment.resting.length}
      <section class="judge" aria-label="Bakes to judge">
        {#each bench.content.products.filter((p) => p.formula_id) as p (p.id)}
          <button class="action main" onclick={() => attempt(() => judgeBake(bench.head.id, p))}
            >How did it go? {p.id}</button
          >
        {/each}
      </section>
    {/if}
    {#each ovens as { heat: h, on } (h.oven + h.at)}
      <section class="oven" aria-label="Oven">
        <b>{h.oven}</b>
        {on ? 'heats' : 'on'} to {h.to_c.toFixed(0)} °C, hot by {timeOf(h.hot_at, bench.zone)}
        <button class="action" onclick={() => attempt(() => heat(h, on))}
          >{on ? 'It is hot' : 'It is on'}</button
        >
      </section>
    {/each}
    <section class="next" aria-label="Next">
      <h2>next</h2>
      <ul>
        {#each moment.next as s (s.product + s.step)}
          <li>
            <b class="num">{timeOf(s.at, bench.zone)}</b>
            <span>{s.do}, {s.product}</span>
            <span class="soft small">{lasting(minutesBetween(s.at, s.end))}</span>
          </li>
        {:else}<li class="soft">nothing more</li>{/each}
      </ul>
    </section>
    <section class="resting" aria-label="Resting">
      {#each moment.resting as s (s.product + s.step)}<Resting
          step={s}
          now={now.ms}
          zone={bench.zone}
        />{/each}
    </section>
    <footer>
      <button class="action main" disabled={!due} onclick={() => due && attempt(() => done(due))}>Done</button
      >
      <button class="action" disabled={!due} onclick={() => due && bench.commit(notYet(bench, due, now.ms))}
        >Not yet<span class="small soft">5 min more</span></button
      >
      <button class="action" disabled={!readable} onclick={() => (reading = readable)}
        >Reading<span class="small soft">jar, °C</span></button
      >
    </footer>
    {#if bench.save.state === 'waiting'}<p class="held small" role="status">
        Kept on this device: the kitchen does not answer. The timers go on.
      </p>{/if}
  {/if}
</div>
<ReadingSheet
  {bench}
  step={reading}
  now={now.ms}
  ontaken={(s) => void learn(s)}
  onclose={() => (reading = null)}
/>

<style>
  .phone {
    max-width: 34rem;
    min-height: 100%;
    margin: 0 auto;
    display: flex;
    flex-direction: column;
    background: var(--ground);
  }

  header {
    display: flex;
    justify-content: space-between;
    gap: 1rem;
    padding: 0.6rem 1rem;
  }

  section {
    padding: 0.7rem 1rem;
    border-top: 1px solid var(--hairline);
  }

  .oven {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.35rem 0.5rem;
  }

  .oven .action {
    margin-left: auto;
    min-height: 44px;
  }

  .next li {
    display: grid;
    grid-template-columns: 4rem 1fr auto;
    gap: 0.5rem;
    align-items: baseline;
    padding: 0.2rem 0;
  }

  .next h2 {
    color: var(--soft);
    font-size: var(--body);
    font-weight: 400;
  }

  footer {
    display: grid;
    grid-template-columns: repeat(3, 1fr);
    gap: 0.5rem;
    padding: 0.75rem;
    margin-top: auto;
    position: sticky;
    bottom: 0;
    background: var(--ground);
    border-top: 1px solid var(--line);
  }

  footer .action {
    flex-direction: column;
    min-height: 76px;
    gap: 0;
    font-size: 1.15rem;
    font-weight: 600;
  }

  footer .small {
    font-weight: 400;
  }
</style>
