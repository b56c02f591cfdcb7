<!-- A measured range over what counted before, on one line. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import RangeBar from '../../ui/RangeBar.svelte';

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
  const places = $derived(end < 1 ? 3 : end < 20 ? 2 : 1);
</script>

<div class="range">
  <span class="label">{label}</span>
  <RangeBar now={range} {before} {end} />
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

  @media (max-width: 640px) {
    .range {
      grid-template-columns: minmax(0, 1fr);
      gap: 0.25rem;
    }
  }
</style>
