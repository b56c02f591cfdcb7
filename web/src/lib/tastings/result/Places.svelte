<!-- Ranking: a strip a sample, a cell a seat, from first places to last; hatched more the further back. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import type { Tasting } from '../types';

  interface Props {
    tasting: Tasting;
    told: Schemas['TastingAnswer'];
    marks: readonly Schemas['SeatMarks'][];
  }
  const { tasting: t, told, marks }: Props = $props();
  const rows = $derived(
    told.samples
      .map((s) => {
        const at = t.samples.findIndex((x) => x.name === s.sample);
        const places = marks.flatMap((m) => (m.dropped || m.marks[at] === null ? [] : [m.marks[at]!]));
        return { ...s, because: t.samples[at]?.because ?? '', places: places.sort((a, b) => a - b) };
      })
      .sort((a, b) => a.mean - b.mean)
  );
</script>

{#each rows as row (row.sample)}
  <div class="row">
    <p><b>{row.sample}</b><span class="small soft">{row.because}</span></p>
    <div class="cells" role="img" aria-label="{row.sample}: places {row.places.join(', ')}">
      {#each row.places as place, n (n)}
        <span class="cell p{Math.min(4, Math.round(place))}">{place}</span>
      {/each}
    </div>
    <p class="mean"><b class="num">{figure(row.mean, 1)}</b> <span class="small soft">mean place</span></p>
  </div>
{/each}
<p class="small soft">A cell is one seat, from its first places to its last; 1 is the best.</p>

<style>
  .row {
    display: grid;
    grid-template-columns: 9.5rem minmax(10rem, 25rem) 8rem;
    gap: 1rem;
    align-items: center;
    margin-bottom: 0.9rem;
  }

  p {
    display: grid;
    margin: 0;
  }

  .cells {
    display: flex;
    min-height: 52px;
  }

  .cell {
    flex: 1;
    display: grid;
    place-items: center;
    border: 1px solid var(--ink);
    margin-left: -1px;
    font-weight: 600;
    background: var(--sheet);
  }

  .p1 {
    background: var(--passes-wash);
  }

  .p2 {
    background: repeating-linear-gradient(135deg, transparent 0 8px, var(--hairline) 8px 9px);
  }

  .p3 {
    background: repeating-linear-gradient(135deg, transparent 0 5px, var(--line) 5px 6px);
  }

  .p4 {
    background: repeating-linear-gradient(135deg, transparent 0 3px, var(--line) 3px 4.5px);
  }

  .mean b {
    font-size: 1.9rem;
  }

  .mean {
    display: flex;
    gap: 0.4rem;
    align-items: baseline;
  }

  @media (max-width: 560px) {
    .row {
      grid-template-columns: 1fr;
      gap: 0.2rem;
    }
  }
</style>
