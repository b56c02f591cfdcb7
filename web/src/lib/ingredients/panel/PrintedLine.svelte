<!-- One line of a label: what is printed, and what that says of 100 g. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { figure } from '../../ui/format';
  import RangeBar from '../../ui/RangeBar.svelte';

  interface Props {
    field: { name: string; label: string; unit: string; part?: boolean };
    value: string;
    number: Schemas['Per100G'] | undefined;
    before: { low: number; typical: number; high: number } | null;
    wrong: boolean;
    onprint: (value: string) => void;
  }
  const { field, value, number, before, wrong, onprint }: Props = $props();
  const now = $derived(number?.per_100_g ?? null);
  const end = $derived(Math.max(now?.high ?? 0, before?.high ?? 0) * 1.08 || 1);
  const places = $derived(field.unit === 'g' ? (end < 1 ? 2 : 1) : 0);
  const half = $derived(now ? (now.high - now.low) / 2 : 0);
</script>

<tr>
  <th scope="row" class:part={field.part}><label for="print-{field.name}">{field.label}</label></th>
  <td class="num">
    <input
      id="print-{field.name}"
      class="field num"
      autocomplete="off"
      inputmode="decimal"
      maxlength="20"
      aria-label="{field.label}, {field.unit}"
      aria-invalid={wrong ? true : undefined}
      {value}
      oninput={(e) => onprint(e.currentTarget.value)}
    />
  </td>
  <td class="soft small">{field.unit}</td>
  <td class="line"><RangeBar {now} {before} {end} /></td>
  <td class="num">
    {#if now}<b>{figure(now.typical, places)}</b>
      <span class="soft small">{field.unit}</span>{:else if before}<span class="soft"
        >{figure(before.typical, places)}</span
      >{:else}<span class="soft">unknown</span>{/if}
  </td>
  <td class="num small">{now ? `± ${figure(half, places)}` : ''}</td>
</tr>

<style>
  th,
  td {
    padding: 0.15rem 0.6rem 0.15rem 0;
    border-bottom: 1px solid var(--hairline);
    font-weight: 400;
    text-align: left;
  }

  td.num {
    text-align: right;
    white-space: nowrap;
  }

  .part {
    padding-left: 1.1rem;
  }

  .field {
    width: 5.5rem;
  }

  .line {
    min-width: 9rem;
  }

  @media (max-width: 900px) {
    .line {
      display: none;
    }
  }
</style>
