<!-- A schedule: one sentence, what is asked, the threads, and at the foot the step that is chosen. -->
<script lang="ts">
  import Head from '../document/Head.svelte';
  import KeepSheet from '../document/KeepSheet.svelte';
  import Conflict from '../document/Conflict.svelte';
  import { attempt } from '../ui/state/attempt';
  import { download } from './files';
  import { nowIs } from './now.svelte';
  import Threads from './drawing/Threads.svelte';
  import Empty from './asking/Empty.svelte';
  import { stepKey } from './keys';
  import { factsOf, ovensOf, roomOf } from './places';
  import Products from './asking/Products.svelte';
  import type { ScheduleBench } from './schedule.svelte';
  import StepPanel from './StepPanel.svelte';
  import { dayAndTime } from './clock';
  import ReadingSheet from './running/ReadingSheet.svelte';
  import type { Answer, Content, Step, Workplace } from './types';
  import WorkplaceSheet from './asking/WorkplaceSheet.svelte';

  interface Props {
    bench: ScheduleBench;
    place: Workplace;
    onplace: (place: Workplace) => void;
  }
  const { bench, place, onplace }: Props = $props();
  let keeping = $state(false);
  let placing = $state(false);
  let reading = $state.raw<Step | null>(null);

  const now = nowIs(() => bench.judgement?.now);
  const answer = $derived(bench.judgement);
  const facts = $derived(factsOf(bench, place));
  const ovens = $derived(ovensOf(bench, place));
  const room_c = $derived(roomOf(bench, place));

  /** What else there is to know: the latest beginning, how near to the best, what the kitchen's rises have taught. */
  function also(a: Answer): string {
    const said = [
      a.latest_start && `Latest start ${dayAndTime(a.latest_start, bench.zone)}.`,
      a.gap && `At most ${(100 * a.gap).toFixed(0)} % from the best.`,
      ...a.paces.filter((p) => p.rises).map((p) => `${p.id}: ${p.say}`),
      ...a.learnt
    ];
    return said.filter(Boolean).join(' ');
  }

  const more = $derived.by(() => {
    if (!answer || !answer.steps.length) return '';
    return answer.cautions.filter((c) => /local rules|^Clocks go/.test(c)).join(' ');
  });
</script>

<div class="schedule">
  <header>
    <div class="bar">
      <Head {bench} onkeep={() => (keeping = true)} waits="Say first what is to be ready." files={[]}>
        {#snippet facts()}<span class="soft">· {bench.zone}</span>{/snippet}
        {#snippet tools()}
          <a href="#/now/{bench.head.id}">Work by it</a>
          <a href="#/day/{bench.head.id}">Day sheet</a>
          <button class="link" onclick={() => attempt(() => download(bench, 'calendar'))}>Calendar</button>
          <button class="link" onclick={() => attempt(() => download(bench, 'csv'))}>Table</button>
          <button class="link" onclick={() => attempt(() => download(bench, 'file'))}>Schedule file</button>
          <button class="link" onclick={() => bench.announce()}>Announce these times</button>
          <button class="link" onclick={() => (placing = true)}>Kitchen: hours, ovens, °C</button>
        {/snippet}
      </Head>
    </div>
    {#if !bench.isEmpty}
      <h1 class="say" aria-live="polite" class:held={answer?.status === 'infeasible'}>
        {answer?.say ?? 'Finding the times …'}
      </h1>
      <p class="more small">
        {#if bench.trouble}<span class="held" role="alert">{bench.trouble}</span>
        {:else if answer?.status === 'infeasible'}
          <span class="soft">What is drawn is the last plan that could be.</span>
          {#each answer.conflicts.slice(1) as c, n (n)}<span class="held">{c.say}</span>{/each}
          {#if bench.canUndo}<button class="link" onclick={() => bench.undo()}
              >Take the last change back</button
            >{/if}
        {:else if more}<span class="close">{more}</span>
        {:else if answer}<span class="soft">{also(answer)}</span>
        {/if}
      </p>
    {/if}
    <Products {bench} />
  </header>
  {#if bench.isEmpty}
    <Empty {bench} />
  {:else if bench.shown?.steps.length}
    <div class="picture">
      <Threads
        {bench}
        {facts}
        {room_c}
        now={now.ms}
        onkey={(e, step) => stepKey(e, step, bench, ovens, now.ms, (s) => (reading = s))}
      />
    </div>
    <StepPanel {bench} {ovens} now={now.ms} />
  {:else}
    <p class="soft wait" role="status">
      {bench.trouble ? 'Nothing is drawn until this is mended.' : 'Finding the times …'}
    </p>
  {/if}
</div>
<KeepSheet {bench} open={keeping} onclose={() => (keeping = false)} />
<Conflict {bench}>
  {#snippet differs(theirs: Content, mine: Content)}
    <p>Theirs: {theirs.products.map((p) => p.id).join(', ') || 'nothing'}.</p>
    <p>Yours: {mine.products.map((p) => p.id).join(', ') || 'nothing'}.</p>
  {/snippet}
</Conflict>
<ReadingSheet {bench} step={reading} now={now.ms} onclose={() => (reading = null)} />
<WorkplaceSheet
  {place}
  open={placing}
  onclose={() => (placing = false)}
  onsaved={(p) => {
    placing = false;
    onplace(p);
    bench.rejudge();
  }}
/>

<style>
  .schedule {
    display: flex;
    flex-direction: column;
    height: 100%;
  }

  /* The name, then how it is saved and what can be done with it in one row. */
  .bar {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 0 1.5rem;
  }

  .bar > :global(.top) {
    grid-column: 1 / -1;
  }

  header {
    padding: 0.6rem 1.25rem 0.5rem;
  }

  .say {
    margin-top: 0.35rem;
    font-size: var(--lead);
  }

  .more {
    display: flex;
    flex-wrap: wrap;
    gap: 0 1rem;
    min-height: 1.4em;
  }

  .picture {
    flex: 1;
    min-height: 14rem;
    overflow-y: auto;
    border-top: 1px solid var(--hairline);
    background: var(--sheet);
  }

  .wait {
    padding: 2rem 1.25rem;
  }

  @media (max-width: 860px) {
    .schedule {
      height: auto;
    }

    .bar {
      display: block;
    }

    header {
      padding: 0.5rem 0.75rem;
    }
  }
</style>
