<!-- What is still missing, large; tare, take, next. A mass can be typed; a simulated scale can be poured on. -->
<script lang="ts">
  import { readNumber } from '../../ui/format';
  import { grams, type Part } from '../types';
  import type { WeighBench } from './bench.svelte';

  interface Props {
    bench: WeighBench;
    part: Part;
    in_g: number;
    missing: number;
    step: number;
    stands: string;
    next: Part | null;
    take: (typed_g?: number) => Promise<void>;
    goNext: () => void;
  }
  const { bench, part, in_g, missing, step, stands, next, take, goNext }: Props = $props();
  let typed = $state('');
  const THIN = 6;
  const THICK = 60;
  const onPan = $derived(Math.max(0, bench.shown?.mass_g ?? 0));
  const canTake = $derived(bench.still && onPan > 0);

  async function type(event: Event): Promise<void> {
    event.preventDefault();
    const value = readNumber(typed);
    if (value === null) return;
    typed = '';
    await take(value);
  }

  /** Pours while a button, or the space bar on it, is held down. */
  function held(g_per_s: number): Record<string, (e: Event) => void> {
    const off = (): void => void bench.stream(0);
    return {
      onpointerdown: (e) => {
        (e.currentTarget as HTMLElement).setPointerCapture((e as PointerEvent).pointerId);
        void bench.stream(g_per_s);
      },
      onpointerup: off,
      onpointercancel: off,
      onkeydown: (e) => {
        const press = e as KeyboardEvent;
        if (press.key === ' ' && !press.repeat) void bench.stream(g_per_s);
        if (press.key === ' ') e.preventDefault();
      },
      onkeyup: (e) => (e as KeyboardEvent).key === ' ' && off(),
      onblur: off
    };
  }
</script>

<div class="now">
  <output class="missing {stands}" aria-label="Still missing">
    {missing >= 0 ? '−' : '+'}{grams(Math.abs(missing), step)}<small>g</small>
  </output>
  <div class="facts">
    <b>{part.name}</b>
    <span class="small soft"
      >{grams(in_g, step)} of {grams(part.target_g, step)} g ± {grams(
        part.high_g - part.target_g,
        step
      )}</span
    >
    <span class="small soft">
      {#if bench.trouble}<span class="close">◆ {bench.trouble} Weighings wait here.</span>
      {:else if bench.shown}gross {grams(bench.shown.gross_g, step)} g{part.pours > 1
          ? `, ${part.pours} pours on this scale`
          : ''}{/if}
    </span>
    {#if part.too_coarse}<span class="small close">◆ {part.dilute}</span>{/if}
  </div>
</div>
<div class="keys">
  <button class="big" onclick={() => bench.tare()}><b>Tare</b><span class="small soft">key T</span></button>
  <button class="big take" disabled={!canTake} onclick={() => take()}>
    <b>Take this</b>
    <span class="small">
      {canTake
        ? `${grams(onPan, step)} g, key Enter`
        : onPan > 0
          ? `moving: ${bench.agree} of 4 readings agree`
          : 'nothing on it'}
    </span>
    <span class="agree" aria-hidden="true">
      {#each [1, 2, 3, 4] as n (n)}<i class:on={onPan > 0 && bench.agree >= n}></i>{/each}
    </span>
  </button>
  <button class="big" disabled={!next} onclick={goNext}>
    <b>Next</b><span class="small soft"
      >{next ? `${next.name.toLowerCase()}, ${grams(next.missing_g, step)} g` : 'nothing'}</span
    >
  </button>
  <form class="big" onsubmit={type}>
    <label
      ><span class="small soft">or type what was weighed, g</span>
      <input class="field num" inputmode="decimal" autocomplete="off" bind:value={typed} /></label
    >
    <button class="action">Take</button>
  </form>
</div>
{#if bench.shown?.simulated}
  <div class="pour">
    <span class="small soft">Simulated scale, hold to pour</span>
    <button class="big" {...held(THIN)}>thin stream</button>
    <button class="big" {...held(THICK)}>thick stream</button>
  </div>
{/if}

<style>
  .now {
    display: grid;
    grid-template-columns: auto 1fr;
    gap: 1rem;
    align-items: center;
  }

  .missing {
    min-width: 9rem;
    font-size: 3.6rem;
    font-weight: 600;
    line-height: 1;
    font-variant-numeric: tabular-nums;
    white-space: nowrap;
  }

  .missing small {
    margin-left: 0.3rem;
    font-size: 1.4rem;
  }

  .facts {
    display: grid;
    text-align: right;
  }

  .keys {
    display: grid;
    grid-template-columns: 1fr 2fr;
    gap: 0.5rem;
  }

  .big {
    display: grid;
    align-content: center;
    justify-items: center;
    min-height: 56px;
    padding: 0.2rem 0.5rem;
    border: 1px solid var(--ink);
    background: var(--sheet);
    color: var(--ink);
    cursor: pointer;
    touch-action: none;
  }

  .big:disabled {
    border-color: var(--line);
    color: var(--soft);
    cursor: default;
  }

  .take:not(:disabled) {
    border-color: var(--flax);
    background: var(--flax);
    color: var(--on-flax);
  }

  .agree {
    display: grid;
    grid-template-columns: repeat(4, 1fr);
    gap: 4px;
    width: 100%;
  }

  .agree i {
    height: 4px;
    background: var(--hairline);
  }

  .agree i.on {
    background: var(--close);
  }

  form.big {
    display: flex;
    justify-content: space-between;
    border-color: var(--line);
    cursor: default;
    touch-action: auto;
  }

  form .field {
    width: 6rem;
  }

  .pour {
    display: grid;
    grid-template-columns: auto 1fr 1fr;
    gap: 0.5rem;
    align-items: center;
  }

  .pour .big {
    border-style: dashed;
    user-select: none;
  }
</style>
