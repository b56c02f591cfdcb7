<!-- One line of a formula: stage, name, grams, % of flour; swapped or taken out. -->
<script lang="ts">
  import Replace from '@lucide/svelte/icons/replace';
  import X from '@lucide/svelte/icons/x';
  import { wordsOf } from '../../api/client';
  import Cell from '../../ui/cell/Cell.svelte';
  import { carry, walk } from '../../ui/cell/walk';
  import { figure, massFigure, mass, readMass, readNumber } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import type { FormulaBench } from './formula.svelte';
  import { BLEND, MOMENTS, type FormulaLine, type When } from '../types';

  interface Props {
    bench: FormulaBench;
    line: FormulaLine;
    index: number;
  }
  const { bench, line, index }: Props = $props();
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const facts = $derived(bench.factsOf(index));
  const name = $derived(bench.nameOf(line, index));
  const split = $derived(/^(.*?) \((.*)\)$/.exec(name));
  /** A sauce has no flour to be a percentage of. */
  const ofFlour = $derived(bench.judgement?.thickening ? '–' : figure(facts?.flour_pct, 1));
  const isBlend = $derived(line.ingredient === BLEND);
  const isFlour = $derived(isBlend || (!!facts && !facts.water_counts && facts.role !== 'binder'));
  const was = $derived(
    bench.ghost?.content.lines.find((l) => l.ingredient === line.ingredient && l.when === line.when)
      ?.mass_g ?? null
  );
  const water = $derived(
    facts?.water_counts && line.ingredient !== 'water' ? facts.brings_g['water_g'] : null
  );
  const note = $derived(
    [
      isBlend &&
        (bench.content.blend?.revision ? `revision ${bench.content.blend.revision}` : 'as it was brought in'),
      split?.[2],
      line.note,
      water !== null && water !== undefined && water > 0.5 && `${figure(water, 0)} g of it water`,
      bench.ghost && (was === null ? 'new' : Math.abs(was - line.mass_g) > 0.05 && `was ${mass(was, unit)}`)
    ]
      .filter(Boolean)
      .join(' · ')
  );

  function takeMass(text: string): string {
    const mass_g = readMass(text, unit);
    if (mass_g === null) return `Give a number of ${unit} over 0, or take the line out.`;
    if (mass_g > 1e7) return 'That is more than 10 000 kg.';
    bench.setLine(index, { mass_g });
    return '';
  }

  function takePct(text: string): string {
    const pct = readNumber(text.replace('%', ''));
    if (pct === null) return 'Give a percentage over 0, or take the line out.';
    try {
      bench.setPct(index, pct);
      return '';
    } catch (error) {
      return wordsOf(error);
    }
  }

  function key(event: KeyboardEvent): void {
    const cell = event.currentTarget as HTMLInputElement;
    if (carry(event, (by) => bench.moveLine(index, by)) || walk(event)) return;
    if (event.key === 's' || event.key === 'S') swap();
    else if (event.key === 'Delete' && cell.value === '') bench.remove(index);
    else return;
    event.preventDefault();
  }

  function swap(): void {
    bench.selected = index;
    bench.tab = 'swap';
  }
</script>

<li class="formula-grid" class:on={bench.selected === index} data-row={line.ingredient}>
  <select
    class="when small"
    aria-label="Stage of {name}"
    value={line.when}
    onchange={(e) => bench.setLine(index, { when: e.currentTarget.value as When })}
  >
    {#each Object.entries(MOMENTS) as [when, label] (when)}<option value={when}>{label}</option>{/each}
  </select>
  <button class="what" title={name} onclick={() => (bench.selected = index)}>
    <span class="name" class:blend={isBlend}>{split?.[1] ?? name}</span>
    {#if note}<span class="note small soft">{note}</span>{/if}
  </button>
  <Cell
    kind="mass"
    mass={unit}
    label="{name}, {unit}"
    shown={massFigure(line.mass_g, unit)}
    take={takeMass}
    nudge={(steps) => bench.nudge(index, steps)}
    onkey={key}
    onfocus={() => (bench.selected = index)}
  />
  {#if isFlour}
    <span class="num soft told">{ofFlour}</span>
  {:else}
    <Cell
      kind="share"
      label="{name}, % of flour"
      shown={ofFlour}
      take={takePct}
      nudge={(steps) => bench.nudge(index, steps)}
      onkey={key}
      onfocus={() => (bench.selected = index)}
      soft
    />
  {/if}
  {#if isBlend}
    <span></span>
  {:else}
    <button class="tool" aria-label="Swap {name}" title="Swap (S)" onclick={swap}
      ><Replace size={15} aria-hidden="true" /></button
    >
  {/if}
  <button class="tool" aria-label="Take out {name}" onclick={() => bench.remove(index)}
    ><X size={15} aria-hidden="true" /></button
  >
</li>

<style>
  li {
    align-items: center;
    min-height: 40px;
    border: 1px solid transparent;
    border-bottom-color: var(--hairline);
  }

  li.on {
    border-color: var(--flax);
    background: var(--sheet);
  }

  .when {
    min-width: 0;
    min-height: 28px;
    border: 1px solid transparent;
    background: transparent;
    color: var(--soft);
  }

  .when:hover,
  .when:focus {
    border-color: var(--line);
  }

  .when option {
    background: var(--sheet);
    color: var(--ink);
  }

  .what {
    display: block;
    min-width: 0;
    line-height: 1.15;
    text-align: left;
    cursor: pointer;
  }

  .name,
  .note {
    display: block;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .blend {
    font-weight: 600;
  }

  .told {
    padding-right: 0.35rem;
  }

  .tool {
    display: grid;
    place-items: center;
    width: 28px;
    height: 28px;
    color: var(--soft);
    cursor: pointer;
  }

  .tool:hover {
    color: var(--flax);
  }

  /* On a phone the name has a row to itself; swap and take out stand at its end. */
  @media (max-width: 600px) {
    li {
      padding: 0.35rem 0;
    }

    .what {
      grid-column: 1 / 4;
      grid-row: 1;
    }

    .when {
      grid-row: 2;
    }

    .tool {
      grid-row: 1;
      justify-self: end;
    }

    .tool:last-child {
      grid-row: 2;
      grid-column: 2;
      justify-self: start;
    }

    li > :global(.cell),
    .told {
      grid-row: 2;
    }

    li > :global(.cell:nth-of-type(1)) {
      grid-column: 3;
    }
  }

  @media (pointer: coarse) {
    .tool,
    .when,
    .what {
      min-height: 44px;
    }
  }
</style>
