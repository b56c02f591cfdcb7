<!-- Types a paper sheet in, seat by seat: a digit jumps on, - was not tasted, = shares the place before. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, type Schemas } from '../../api/client';
  import { attempt } from '../../ui/state/attempt';
  import { methodLabel, type Tasting } from '../types';
  import { cellsOf, readCell, type Cell } from './quick';

  interface Props {
    tasting: Tasting;
    seat: number;
    saved: () => Promise<void>;
  }
  const { tasting: t, seat, saved }: Props = $props();
  let paper = $state.raw<Schemas['SeatPaper'] | null>(null);
  let texts = $state<Record<string, string>>({});
  let form = $state<HTMLFormElement>();
  const params = $derived({ path: { tasting_id: t.id, seat } });
  const cells = $derived(paper ? cellsOf(t.asked, paper.codes) : []);

  async function load(): Promise<void> {
    paper = (await ask(api.GET('/api/v1/tastings/{tasting_id}/seats/{seat}/paper', { params: params }))).data;
    for (const a of paper.answers) {
      const key = `${a.code ?? ''}/${a.method}/${a.attribute}`;
      texts[key] = a.text || (a.value === null ? '-' : String(a.value));
    }
  }

  function jump(from: HTMLInputElement): void {
    const inputs = [...(form?.querySelectorAll('input') ?? [])];
    const next = inputs[inputs.indexOf(from) + 1];
    if (next) next.focus();
    else form?.querySelector('button')?.focus();
  }

  function typed(cell: Cell, input: HTMLInputElement): void {
    const before = cells[cells.indexOf(cell) - 1];
    if (input.value === '=' && before) texts[cell.key] = texts[before.key] ?? '';
    else texts[cell.key] = input.value;
    if (cell.jumps && /^[\d=-]$/.test(input.value)) jump(input);
  }

  async function save(): Promise<void> {
    const answers = cells.flatMap((c) => readCell(c, texts[c.key] ?? ''));
    const body = { answers, handed_in: true };
    paper = (await ask(api.PUT('/api/v1/tastings/{tasting_id}/seats/{seat}/paper', { params, body }))).data;
    await saved();
  }

  onMount(() => attempt(load));
</script>

{#if paper}
  <form
    bind:this={form}
    onsubmit={(e) => {
      e.preventDefault();
      void attempt(save);
    }}
  >
    <p class="small soft">
      {methodLabel(t.asked.main)}: a digit goes on to the next, <b>-</b> was not tasted, <b>=</b> is as the one
      before.
    </p>
    <div class="cells">
      {#each cells as cell (cell.key)}
        <label class:first={cell.first}
          ><span class="small"><b class="num">{cell.code ?? ''}</b> {cell.label}</span>
          <input
            value={texts[cell.key] ?? ''}
            inputmode={cell.jumps ? 'numeric' : 'text'}
            maxlength={cell.jumps ? 3 : 140}
            class:wide={!cell.jumps}
            oninput={(e) => typed(cell, e.currentTarget)}
          /></label
        >
      {/each}
    </div>
    <button class="action main">Save this sheet</button>
  </form>
{/if}

<style>
  form {
    margin-top: 0.6rem;
  }

  .cells {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 0.9rem;
    margin-bottom: 0.7rem;
  }

  .first {
    flex-basis: auto;
  }

  input {
    display: block;
    width: 4rem;
    min-height: 44px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: transparent;
    font-size: 1.1rem;
    font-variant-numeric: tabular-nums;
  }

  .wide {
    width: 18rem;
    font-size: 1rem;
  }
</style>
