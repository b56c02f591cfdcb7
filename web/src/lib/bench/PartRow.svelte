<!-- One part: name and what there is to say of it, grams, % of flour, lock, remove. -->
<script lang="ts">
  import { Lock, LockOpen, X } from '@lucide/svelte';
  import type { Part } from '../api/client';
  import { wordsOf } from '../api/client';
  import { figure, massFigure, readMass, readNumber } from '../format';
  import { kitchen } from '../kitchen.svelte';
  import type { Bench } from './bench.svelte';
  import Cell from './Cell.svelte';
  import { stepFor } from './moves';

  interface Props {
    bench: Bench;
    part: Part;
  }
  const { bench, part }: Props = $props();
  const slug = $derived(part.ingredient);
  const name = $derived(bench.nameOf(slug));
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const share = $derived(bench.judgement?.analysis.parts.find((p) => p.ingredient === slug));
  const over = $derived(bench.judgement?.over_usual.find((o) => o.ingredient === slug));
  const note = $derived(
    over ? `over its usual ${figure(over.usual_max_pct, 0)} %: ${over.reason}` : part.locked ? 'locked' : ''
  );
  // A small dose moves in small steps.
  const step = $derived(stepFor(part.mass_g < bench.mass_g / 10 ? bench.mass_g / 10 : bench.mass_g));

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
    bench.setMass(slug, Math.max(0.1, part.mass_g + steps * step));
  }

  function key(event: KeyboardEvent): void {
    const cell = event.currentTarget as HTMLInputElement;
    if (event.key === 'l' || event.key === 'L') {
      event.preventDefault();
      bench.toggleLock(slug);
    } else if (event.key === 'Delete' && cell.value === '') {
      bench.remove(slug);
    } else {
      walk(event, cell);
    }
  }

  function walk(event: KeyboardEvent, cell: HTMLInputElement): void {
    const sideways = event.key === 'ArrowLeft' || event.key === 'ArrowRight';
    if (!sideways && event.key !== 'ArrowUp' && event.key !== 'ArrowDown') return;
    event.preventDefault();
    const row = cell.closest('li');
    if (sideways) {
      const other = cell.dataset.cell === 'mass' ? 'share' : 'mass';
      row?.querySelector<HTMLInputElement>(`[data-cell=${other}]`)?.focus();
      return;
    }
    const rows = [...(row?.parentElement?.children ?? [])];
    const next = rows[rows.indexOf(row!) + (event.key === 'ArrowUp' ? -1 : 1)];
    next?.querySelector<HTMLInputElement>(`[data-cell=${cell.dataset.cell}]`)?.focus();
  }

  const select = (): void => {
    bench.selected = slug;
  };
</script>

<div class="row" class:on={bench.selected === slug}>
  <button class="what" onclick={select} title={name}>
    <span class="name">{name}</span>
    {#if note}<span class="note small" class:close={!!over}>{note}</span>{/if}
  </button>
  <Cell
    kind="mass"
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
</div>

<style>
  .row {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 4.5rem 3.5rem 28px 28px;
    align-items: center;
    height: 100%;
    padding-left: 0.5rem;
    border: 1px solid transparent;
  }

  .row.on {
    border-color: var(--flax);
    background: var(--sheet);
  }

  .what {
    min-width: 0;
    padding: 0.1rem 0;
    text-align: left;
    line-height: 1.15;
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

  @media (pointer: coarse) {
    .row {
      grid-template-columns: minmax(0, 1fr) 4.25rem 3.5rem 40px 40px;
    }

    .tool {
      width: 40px;
      height: 40px;
    }
  }
</style>
