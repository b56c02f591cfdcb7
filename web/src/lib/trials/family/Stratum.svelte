<!-- One stratum: a formula revision with a thin column of its blend, its bakes as pebbles, the one to beat flagged. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import MiniColumn from '../../blends/column/MiniColumn.svelte';
  import Mark from '../../bands/Mark.svelte';
  import { day, figure } from '../../ui/format';
  import { verdictStatus } from '../types';

  interface Props {
    stratum: Schemas['Stratum'];
    line: number;
  }
  const { stratum: s, line }: Props = $props();
  const height = $derived(Math.max(58, 28 + 16 * s.trials.length));
  /** The flag flies over its best bake. */
  const best = $derived(
    s.to_beat
      ? s.trials.reduce((a, b) => ((b.verdict ?? 0) > (a.verdict ?? 0) && !b.set_aside ? b : a), s.trials[0]!)
      : null
  );
  const said = (t: Schemas['TrialStanding']): string =>
    [
      t.name,
      day(t.baked_on),
      t.verdict === null ? 'not judged' : `${figure(t.verdict, 0)} of 9`,
      t.say,
      t.set_aside && 'set aside'
    ]
      .filter(Boolean)
      .join(', ');
</script>

<div class="stratum" style="min-height: {height}px" data-revision={s.revision}>
  <MiniColumn layers={s.layers} height={height - 2} width={24} />
  <div class="body">
    <p>
      <b>revision {s.revision}</b>
      <span class="small soft">{s.blend_revision ? `blend ${s.blend_revision}` : ''}</span>
    </p>
    <ul>
      {#each s.trials as t (t.id)}
        <li>
          <a
            href="#/trial/{t.id}"
            data-trial={t.id}
            data-line={line}
            title={said(t)}
            class:aside={t.set_aside}
          >
            {#if best === t}<span class="flag">n = {s.n}</span>{/if}
            <svg width="22" height="22" viewBox="0 0 22 22" aria-hidden="true">
              <Mark status={verdictStatus(t.verdict)} x={11} y={11} />
              {#if t.set_aside}<path d="M3 19L19 3" class="crossed" />{/if}
            </svg>
            <span class="num number">{t.id}</span><span class="sr-only">, {said(t)}</span>
          </a>
        </li>
      {/each}
    </ul>
  </div>
</div>

<style>
  .stratum {
    flex: 1;
    display: flex;
    border: 1px solid var(--ink);
    background: var(--sheet);
  }

  .body {
    flex: 1;
    min-width: 0;
    padding: 0.3rem 0.7rem;
  }

  p {
    margin: 0;
  }

  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0.1rem 0.5rem;
    margin: 0.15rem 0 0;
    padding-top: 0.9rem;
  }

  a {
    position: relative;
    display: flex;
    flex-direction: column;
    align-items: center;
    min-width: 32px;
    color: var(--ink);
    text-decoration: none;
  }

  .number {
    font-size: 0.75rem;
    line-height: 1;
    color: var(--soft);
  }

  .flag {
    position: absolute;
    bottom: calc(100% - 3px);
    left: 50%;
    padding: 0 0.5rem 0 0.3rem;
    background: var(--flax);
    color: var(--on-flax);
    font-size: 0.75rem;
    white-space: nowrap;
    clip-path: polygon(0 0, 100% 0, 88% 50%, 100% 100%, 0 100%);
  }

  .crossed {
    stroke: var(--ink);
    stroke-width: 1.5;
  }
</style>
