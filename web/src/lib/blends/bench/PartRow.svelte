<!-- One part: name and what there is to say of it, grams, % of flour, lock, remove. -->
<script lang="ts">
  import Lock from '@lucide/svelte/icons/lock';
  import LockOpen from '@lucide/svelte/icons/lock-open';
  import X from '@lucide/svelte/icons/x';
  import type { Part } from '../../api/client';
  import { wordsOf } from '../../api/client';
  import { figure, massFigure, readMass, readNumber } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import type { Bench } from './bench.svelte';
  import PartPrice from './PartPrice.svelte';
  import Cell from '../../ui/cell/Cell.svelte';
  import { walk } from '../../ui/cell/walk';

  interface Props {
    bench: Bench;
    part: Part;
    /** Without room for them, lock and remove stand in the bar below the column. */
    compact: boolean;
  }
  const { bench, part, compact }: Props = $props();
  const slug = $derived(part.ingredient);
  const name = $derived(bench.nameOf(slug));
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const share = $derived(bench.judgement?.analysis.parts.find((p) => p.ingredient === slug));
  const over = $derived(bench.judgement?.over_usual.find((o) => o.ingredient === slug));
  // "Sorghum flour (whole grain)" stands as a name with a smaller line below.
  const split = $derived(/^(.*?) \((.*)\)$/.exec(name));
  const chosen = $derived(bench.selected === slug);
  const lot = $derived(part.lot_id ? `lot ${share?.lot_code ?? ''}` : '');
  /** A part of a bag that was opened is known within a range only, until its mass is typed. */
  const within = $derived(
    part.low_ratio < 1 || part.high_ratio > 1
      ? `${massFigure(part.mass_g * part.low_ratio, unit)}–${massFigure(part.mass_g * part.high_ratio, unit)} ${unit}`
      : ''
  );
  const note = $derived(
    [
      within,
      over ? `over its usual ${figure(over.usual_max_pct, 0)} %: ${over.reason}` : split?.[2],
      part.locked && 'locked',
      !chosen && lot
    ]
      .filter(Boolean)
      .join(' · ')
  );

  function takeMass(text: string): string {
    const mass_g = readMass(text, unit);
    if (mass_g === null) return `Give a number of ${unit} over 0, or remove the part.`;
    if (mass_g > 1e7) return 'That is more than 10 000 kg.';
    bench.setMass(slug, mass_g);
    return '';
  }

  async function takeShare(text: string): Promise<string> {
    const value = readNumber(text.replace('%', ''));
    if (value === null) return 'Give a percentage over 0, or remove the part.';
    try {
      await bench.setShare(slug, value);
      return '';
    } catch (error) {
      return wordsOf(error);
    }
  }

  function nudge(steps: number): void {
    bench.nudge(part, steps);
  }

  function key(event: KeyboardEvent): void {
    const cell = event.currentTarget as HTMLInputElement;
    if (event.key === 'l' || event.key === 'L') {
      event.preventDefault();
      bench.toggleLock(slug);
    } else if (event.key === 'b' || event.key === 'B') {
      event.preventDefault();
      bench.asksLot = slug;
    } else if (event.key === 'Delete' && cell.value === '') {
      bench.remove(slug);
    } else {
      walk(event);
    }
  }

  const select = (): void => {
    bench.selected = slug;
  };
</script>

<div class="row part-grid" class:compact class:on={bench.selected === slug}>
  <div class="what">
    <button class="pick" onclick={select} title={name}>
      <span class="name">{split?.[1] ?? name}</span>
      {#if note && (!chosen || !!over)}<span class="note small" class:close={!!over}>{note}</span>{/if}
    </button>
    {#if chosen && !over}
      <span class="note small">
        <button class="link" aria-label="Which lot of {name}" onclick={() => (bench.asksLot = slug)}
          >{lot || 'any lot'}</button
        >{#if !lot && share}&ensp;<PartPrice {bench} {slug} {name} price={share.price_per_kg} />{/if}{note
          ? ` · ${note}`
          : ''}
      </span>
    {/if}
  </div>
  <Cell
    kind="mass"
    mass={unit}
    label="{name}, {unit}"
    shown={massFigure(part.mass_g, unit)}
    take={takeMass}
    {nudge}
    onkey={key}
    onfocus={select}
  />
  <Cell
    kind="share"
    label="{name}, % of flour"
    shown={figure(share?.flour_pct, 1)}
    take={takeShare}
    {nudge}
    onkey={key}
    onfocus={select}
    soft
  />
  {#if !compact}
    <button
      class="tool"
      class:held-on={part.locked}
      aria-pressed={part.locked}
      aria-label="Lock {name}"
      onclick={() => bench.toggleLock(slug)}
    >
      {#if part.locked}<Lock size={15} aria-hidden="true" />{:else}<LockOpen
          size={15}
          aria-hidden="true"
        />{/if}
    </button>
    <button class="tool" aria-label="Remove {name}" onclick={() => bench.remove(slug)}>
      <X size={15} aria-hidden="true" />
    </button>
  {/if}
</div>

<style>
  .row {
    align-items: center;
    height: 100%;
    border: 1px solid transparent;
  }

  .row.on {
    border-color: var(--flax);
    background: var(--sheet);
  }

  .what {
    min-width: 0;
    padding: 0.1rem 0;
    line-height: 1.15;
  }

  .pick {
    display: block;
    width: 100%;
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

  .note:not(.close) {
    color: var(--soft);
  }

  .tool {
    display: grid;
    place-items: center;
    width: 28px;
    height: 28px;
    color: var(--soft);
    cursor: pointer;
  }

  .tool.held-on {
    color: var(--ink);
  }

  .tool:hover {
    color: var(--flax);
  }

  .compact .name {
    white-space: normal;
  }
</style>
