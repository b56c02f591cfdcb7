<!-- The bakes as a table, for readers too: shares, what each came to, what was seen; a value is typed in its place. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import { bakeRun, noteRun, type Loaded } from '../doing';
  import { shadeOf } from '../map/shades';
  import type { Experiment, Run } from '../types';

  interface Props {
    experiment: Experiment;
    changed: (next: Loaded) => void;
    show: (x: readonly number[]) => void;
  }
  const { experiment: e, changed, show }: Props = $props();
  const names = $derived(e.asked.parts.map((p) => p.name));

  function read(text: string): number | null {
    const plain = text.trim().replace(',', '.');
    if (!plain) return null;
    const value = Number(plain);
    if (!Number.isFinite(value))
      throw new Error(`“${text}” is no number. Type ${e.response.label}, ${e.response.unit}.`);
    return value;
  }

  async function note(
    run: Run,
    change: { value?: number | null; failed?: boolean; seen?: string }
  ): Promise<void> {
    const now = {
      value: run.by_hand ? run.value : null,
      se: run.by_hand && run.se ? run.se : null,
      failed: run.failed,
      seen: run.seen
    };
    changed(await noteRun(e.id, run.number, { ...now, ...change }));
  }
</script>

<div class="scroll">
  <table class="small">
    <caption class="sr-only">Bakes of {e.name}</caption>
    <thead>
      <tr>
        <th>Bakes</th><th class="num">day</th>{#each names as n (n)}<th class="num">{n.toLowerCase()} %</th
          >{/each}<th class="num">{e.response.label}, {e.response.unit}</th><th>seen</th><th
          ><span class="sr-only">trial</span></th
        >
      </tr>
    </thead>
    <tbody>
      {#each e.runs as run (run.number)}
        <tr class:failed={run.failed} class:next={run.value === null && !run.failed} data-run={run.number}>
          <td
            ><button
              class="loaf {run.failed
                ? 'no'
                : run.value === null
                  ? 'open'
                  : `f${shadeOf(run.value, e.picture?.levels ?? [])}`}"
              onclick={() => show(run.x)}
              aria-label="Show bake {run.number} on the map">{run.number}</button
            ></td
          >
          <td class="num">{run.day}</td>
          {#each run.flour_pct as pct, n (n)}<td class="num">{figure(pct, 0)}</td>{/each}
          <td class="num"
            ><input
              aria-label="{e.response.label} of bake {run.number}"
              value={run.failed
                ? ''
                : run.value === null
                  ? ''
                  : figure(run.value, e.response.unit === 'mL/g' ? 2 : 1)}
              placeholder="–"
              disabled={run.failed}
              title={run.source}
              inputmode="decimal"
              onchange={(event) => attempt(() => note(run, { value: read(event.currentTarget.value) }))}
            /></td
          >
          <td
            ><input
              class="seen"
              aria-label="What was seen of bake {run.number}"
              value={run.seen}
              maxlength="140"
              placeholder={run.is_today ? 'today' : run.replicate_of ? `bake ${run.replicate_of} again` : ''}
              onchange={(event) => attempt(() => note(run, { seen: event.currentTarget.value }))}
            /></td
          >
          <td class="acts">
            {#if run.trial_id || run.value === null}<button
                class="link"
                onclick={() => attempt(() => bakeRun(e.id, run.number))}
                >{run.trial_id ? 'its trial' : 'bake it'}<span class="sr-only"> {run.number}</span></button
              >{/if}
            <button
              class="link"
              aria-pressed={run.failed}
              onclick={() =>
                attempt(() => note(run, { failed: !run.failed, ...(run.failed ? {} : { value: null }) }))}
              >{run.failed ? 'not so' : 'failed'}<span class="sr-only"> {run.number}</span></button
            ></td
          >
        </tr>
      {/each}
    </tbody>
  </table>
</div>

<style>
  .scroll {
    position: relative;
    overflow-x: auto;
  }

  table {
    width: 100%;
    border-collapse: collapse;
  }

  th {
    padding: 0.3rem 0.5rem 0.3rem 0;
    border-top: 2px solid var(--ink);
    border-bottom: 1px solid var(--hairline);
    color: var(--soft);
    font-weight: 400;
    text-align: left;
  }

  th:first-child {
    color: var(--ink);
    font-weight: 600;
  }

  th.num,
  td.num {
    text-align: right;
    padding-right: 0.8rem;
  }

  td {
    border-bottom: 1px solid var(--hairline);
    padding: 0.12rem 0;
  }

  .loaf {
    width: 30px;
    height: 30px;
    border: 1.6px solid var(--ink);
    border-radius: 50%;
    color: #17231f;
    font-variant-numeric: tabular-nums;
    cursor: pointer;
  }

  .f0,
  .open {
    background: #e9efe9;
  }

  .open {
    border-style: dashed;
    border-color: var(--flax);
  }

  .f1 {
    background: #cdd8d0;
  }

  .f2 {
    background: #a8bab0;
  }

  .f3 {
    background: #7b968a;
  }

  .f4 {
    background: #4a6b60;
    color: #fbfcf9;
  }

  .no {
    background: var(--sheet);
    border-color: var(--held);
    color: var(--held);
    text-decoration: line-through;
  }

  input {
    width: 3.6rem;
    min-height: 32px;
    border: 1px solid transparent;
    background: transparent;
    color: inherit;
    text-align: right;
    font-weight: 600;
    font-variant-numeric: tabular-nums;
  }

  .seen {
    width: 6rem;
    text-align: left;
    font-weight: 400;
  }

  .failed .seen {
    color: var(--held);
  }

  input:hover,
  input:focus {
    border-color: var(--line);
  }

  .next td {
    color: var(--flax);
  }

  .acts {
    white-space: nowrap;
  }

  .acts button {
    min-height: 32px;
    margin-left: 0.5rem;
  }
</style>
