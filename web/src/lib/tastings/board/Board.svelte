<!-- The table from above: a serving board, the mats round it; arrows walk round. -->
<script lang="ts">
  import { day } from '../../ui/format';
  import SliceMark from '../SliceMark.svelte';
  import { methodLabel, placesRound, type Tasting } from '../types';
  import Mat from './Mat.svelte';

  interface Props {
    tasting: Tasting;
    seat: number;
    choose: (seat: number) => void;
  }
  const { tasting: t, seat, choose }: Props = $props();
  let around = $state<HTMLElement>();
  const places = $derived(placesRound(t.mats.length));
  const rows = $derived(Math.max(3, ...places.map((p) => p.row)));
  /** Which texture a code has, once it is known which sample it is. */
  const textures = $derived(new Map(t.samples.flatMap((s, n) => s.codes.map((c) => [c, n] as const))));
  const codes = $derived([...new Set(t.mats.flatMap((m) => m.slices.map((s) => s.code)))].sort());
  const sampleAt = $derived(new Map(t.samples.flatMap((s, n) => s.codes.map((c) => [c, n] as const))));

  function marksOf(number: number): ReadonlyMap<number, number | null> {
    const row = t.result?.marks.find((m) => m.seat === number);
    if (!t.result?.marks.length) return new Map();
    const mat = t.mats.find((m) => m.number === number);
    return new Map(mat?.slices.map((s) => [s.code, row?.marks[sampleAt.get(s.code) ?? -1] ?? null]));
  }

  const clock = (at: string): string => new Date(at).toTimeString().slice(0, 5);

  function walk(event: KeyboardEvent): void {
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (!step || !t.mats.length) return;
    event.preventDefault();
    const at = t.mats.findIndex((m) => m.number === seat);
    const next = t.mats[(at + step + t.mats.length) % t.mats.length]!;
    choose(next.number);
    around?.querySelector<HTMLElement>(`[data-seat="${next.number}"]`)?.focus();
  }
</script>

<section class="board" aria-label="The table">
  <h1 data-says>{t.say}</h1>
  <p class="small soft">
    {t.name}, {day(t.opened_at.slice(0, 10))} · main question {methodLabel(t.asked.main)} · {t.closed_at
      ? `closed ${clock(t.closed_at)}`
      : `opened ${clock(t.opened_at)}`}{t.unblinded_at ? ` · unblinded once, ${clock(t.unblinded_at)}` : ''}
  </p>
  <!-- svelte-ignore a11y_no_static_element_interactions -->
  <div class="around" bind:this={around} onkeydown={walk} style="--rows: {rows}">
    {#each t.mats as mat, n (mat.number)}
      <div style="grid-row: {places[n]?.row}; grid-column: {places[n]?.column}" class="place">
        <Mat
          {mat}
          chosen={mat.number === seat}
          {textures}
          marks={marksOf(mat.number)}
          onchoose={() => choose(mat.number)}
        />
      </div>
    {/each}
    <div class="wood" style="grid-row: 2 / {rows}">
      {#if t.result}
        {#each t.samples as sample, n (sample.number)}
          <p class="sample">
            <SliceMark state="full" texture={n} size={30} />
            <span><b>{sample.name}</b><br /><span class="num">{sample.codes.join(' ')}</span></span>
          </p>
        {/each}
      {:else}
        <p class="small">On the board, by their codes</p>
        {#each codes as code (code)}<p class="num">{code}</p>{/each}
      {/if}
    </div>
  </div>
  <p class="legend small">
    <span><SliceMark state="full" size={20} /> tasted</span>
    <span><SliceMark state="now" size={20} /> now</span>
    <span><SliceMark state="waiting" size={20} /> waiting</span>
    <span><SliceMark state="left out" size={20} /> left out</span>
  </p>
  <p class="small soft">
    Slices lie in the order each seat has them{t.result?.marks.length
      ? '. Below each: its code, its mark.'
      : '.'}
  </p>
</section>

<style>
  .board {
    padding: 1rem 1.25rem;
    border-right: 1px solid var(--hairline);
    background: var(--ground);
  }

  h1 {
    margin: 0;
    font-size: var(--title);
  }

  .board > p {
    margin: 0.3rem 0 0.8rem;
  }

  .around {
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    grid-template-rows: repeat(var(--rows), auto);
    gap: 1.1rem 1.35rem;
    padding: 0 7px;
  }

  .place {
    display: grid;
  }

  .wood {
    position: relative;
    grid-column: 2;
    align-self: center;
    padding: 0.7rem 0.7rem 0.3rem;
    border: 1.5px solid #a08a62;
    background: repeating-linear-gradient(#e0d3b9 0 11px, #d9cbae 11px 12px);
    color: #17231f;
    min-height: 7rem;
  }

  /* The handle of the board. */
  .wood::before {
    content: '';
    position: absolute;
    top: -11px;
    left: 38%;
    width: 24%;
    height: 10px;
    border: 1.5px solid #a08a62;
    border-bottom: 0;
    background: #e0d3b9;
  }

  .wood p {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.35rem;
    margin: 0 0 0.4rem;
    line-height: 1.2;
  }

  .wood .sample {
    flex-wrap: nowrap;
  }

  .legend {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 1.3rem;
  }

  .legend span {
    display: inline-flex;
    align-items: center;
    gap: 0.35rem;
  }

  @media (max-width: 560px) {
    .board {
      padding: 0.75rem;
    }

    .around {
      display: flex;
      flex-direction: column;
      gap: 0.6rem;
    }

    .wood {
      order: -1;
      margin-top: 10px;
      align-self: stretch;
    }
  }
</style>
