<!-- One line of a label: what is printed, and what that says of 100 g. -->
<script lang="ts">
  import type { Schemas } from '../api/client';
  import { figure } from '../format';

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
  const at = (v: number): number => (100 * v) / end;
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
  <td class="line" aria-hidden="true">
    {#if before}
      <i class="before" style:left="{at(before.low)}%" style:width="{at(before.high) - at(before.low)}%"></i>
    {/if}
    {#if now}
      <i class="now" style:left="{at(now.low)}%" style:width="{at(now.high) - at(now.low)}%"></i>
      <i class="tick" style:left="{at(now.typical)}%"></i>
    {/if}
  </td>
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
    position: relative;
    min-width: 9rem;
    background: linear-gradient(var(--hairline), var(--hairline)) 0 50% / calc(100% - 0.6rem) 1px no-repeat;
  }

  i {
    position: absolute;
    top: 50%;
  }

  .before {
    height: 14px;
    margin-top: -7px;
    background: url("data:image/svg+xml,%3Csvg xmlns='http://www.w3.org/2000/svg' width='5' height='5'%3E%3Cpath d='M0 5L5 0' stroke='%2387948d' stroke-width='.9'/%3E%3C/svg%3E");
    outline: 1px solid var(--mesh);
  }

  .now {
    height: 5px;
    min-width: 2px;
    margin-top: -2.5px;
    background: var(--flax);
  }

  .tick {
    width: 2px;
    height: 14px;
    margin: -7px 0 0 -1px;
    background: var(--ink);
  }

  @media (max-width: 900px) {
    .line {
      display: none;
    }
  }
</style>
