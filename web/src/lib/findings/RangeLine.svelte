<!-- A measured range over what counted before, on one line. -->
<script lang="ts">
  import { figure } from '../format';

  interface R {
    low: number;
    typical: number;
    high: number;
  }
  interface Props {
    label: string;
    unit: string;
    range: R;
    before: R | null;
  }
  const { label, unit, range, before }: Props = $props();
  const end = $derived(Math.max(range.high, before?.high ?? 0) * 1.1 || 1);
  const at = (v: number): number => (100 * v) / end;
  const places = $derived(end < 1 ? 3 : end < 20 ? 2 : 1);
</script>

<div class="range">
  <span class="label">{label}</span>
  <span class="line" aria-hidden="true">
    {#if before}
      <i class="before" style:left="{at(before.low)}%" style:width="{at(before.high) - at(before.low)}%"></i>
    {/if}
    <i class="now" style:left="{at(range.low)}%" style:width="{at(range.high) - at(range.low)}%"></i>
    <i class="tick" style:left="{at(range.typical)}%"></i>
  </span>
  <span
    ><b class="num">{figure(range.typical, places)}</b>
    <span class="small">({figure(range.low, places)}–{figure(range.high, places)}) {unit}</span>
    {#if before}<span class="small soft"
        >before {figure(before.typical, places)} ({figure(before.low, places)}–{figure(
          before.high,
          places
        )})</span
      >{/if}</span
  >
</div>

<style>
  .range {
    display: grid;
    grid-template-columns: 8rem minmax(8rem, 1fr) max-content;
    align-items: center;
    gap: 1rem;
    max-width: 56rem;
    padding: 0.4rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .line {
    position: relative;
    height: 26px;
    background: linear-gradient(var(--line), var(--line)) 0 50% / 100% 1px no-repeat;
  }

  i {
    position: absolute;
    top: 50%;
  }

  .before {
    height: 18px;
    margin-top: -9px;
    background: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='5' height='5'%3E%3Cpath d='M0 5L5 0' stroke='%2387948d' stroke-width='.9'/%3E%3C/svg%3E");
    outline: 1px solid var(--mesh);
  }

  .now {
    height: 6px;
    min-width: 2px;
    margin-top: -3px;
    background: var(--flax);
  }

  .tick {
    width: 3px;
    height: 18px;
    margin: -9px 0 0 -1.5px;
    background: var(--ink);
  }

  @media (max-width: 640px) {
    .range {
      grid-template-columns: minmax(0, 1fr);
      gap: 0.25rem;
    }
  }
</style>
