<!-- One number: its range drawn over the table's, the figure to type over, and how it is known. -->
<script lang="ts">
  import { wordsOf } from '../../api/client';
  import Cell from '../../ui/cell/Cell.svelte';
  import { day, figure } from '../../ui/format';
  import { notices } from '../../ui/state/notices.svelte';
  import RangeBar from '../../ui/RangeBar.svelte';
  import type { NumberRow, OneIngredient } from './ingredient.svelte';
  import { lineEnd, placesFor, rangeWords, readRange } from './reach';

  interface Props {
    one: OneIngredient;
    row: NumberRow;
  }
  const { one, row }: Props = $props();
  const places = $derived(placesFor(row));
  const table = $derived(row.layers.find((l) => l.layer === 'table'));
  const mine = $derived(row.layers.filter((l) => l.layer !== 'table'));
  const best = $derived(mine.findLast((l) => !l.aside) ?? mine.at(-1));
  const counting = $derived(row.layers.findLast((l) => !l.aside));
  const words: Record<string, string> = {
    own: 'your own',
    label: 'label',
    measured: 'measured',
    derived: 'follows from others',
    unknown: 'unknown'
  };

  async function take(text: string): Promise<string> {
    const given = readRange(text);
    if (!given) return 'A number, or one with its reach such as 8.2 ± 0.3 or 7.9–8.5.';
    try {
      await one.setNumber(row.field, { quality: 'estimate', source: 'typed in', ...given });
      return '';
    } catch (error) {
      return wordsOf(error);
    }
  }

  async function act(what: () => Promise<void>): Promise<void> {
    try {
      await what();
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }
</script>

<tr data-number={row.field}>
  <th scope="row">{row.label}<span class="soft small unit">{row.unit}</span></th>
  <td class="line">
    <RangeBar
      now={row.range && row.range.low >= 0 ? row.range : null}
      before={table && best && counting !== table ? table : null}
      end={lineEnd(row)}
      own={['own', 'label', 'measured'].includes(row.in_force)}
    />
  </td>
  <td class="figure">
    <Cell
      kind="number"
      label="{row.label}, {row.unit}"
      shown={row.range ? figure(row.range.typical, places) : '–'}
      {take}
    />
  </td>
  <td class="num soft small range">
    {row.range && row.range.high > row.range.low
      ? `${figure(row.range.low, places)}–${figure(row.range.high, places)}`
      : ''}
  </td>
  <td class="known small">
    <span class:own={row.in_force !== 'table' && row.in_force !== 'unknown' && row.in_force !== 'derived'}
      >{words[row.in_force] ?? counting?.quality.replace('-', ' ')}</span
    >
    {#if counting}<span class="soft source" title={counting.source}
        >{counting.source}{counting.noted_on ? `, ${day(counting.noted_on)}` : ''}</span
      >{/if}
    {#if table && best && counting !== table}
      <span class="soft">Table: {rangeWords(table, places)}.</span>
      <button class="link" onclick={() => act(() => one.setAside(row.field, true))}
        >Back to the table’s</button
      >
    {:else if table && best}
      <span class="soft">Yours: {rangeWords(best, places)}, set aside.</span>
      <button class="link" onclick={() => act(() => one.setAside(row.field, false))}>Use yours again</button>
    {/if}
    {#if counting?.layer === 'own'}
      <button class="link" onclick={() => act(() => one.dropNumber(row.field))}
        >Remove<span class="sr-only"> {row.label}</span></button
      >
    {/if}
  </td>
</tr>

<style>
  th,
  td {
    padding: 0.2rem 0.75rem 0.2rem 0;
    border-bottom: 1px solid var(--hairline);
    font-weight: 400;
    text-align: left;
    vertical-align: middle;
  }

  .unit {
    margin-left: 0.4rem;
  }

  .range {
    text-align: right;
    white-space: nowrap;
  }

  .own {
    color: var(--flax);
    font-weight: 600;
  }

  .source {
    display: inline-block;
    max-width: 100%;
    overflow: hidden;
    text-overflow: ellipsis;
    vertical-align: bottom;
    white-space: nowrap;
  }

  @media (max-width: 640px) {
    .line,
    .range {
      display: none;
    }
  }
</style>
