<!-- Several responses joined: the point that meets all wishes best, and the trade between the first two. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import type { Experiment } from '../types';

  const { experiment: e, show }: { experiment: Experiment; show: (x: readonly number[]) => void } = $props();
  const j = $derived(e.joined);
  const line = $derived(j?.line ?? []);
  const range = (values: readonly number[]): [number, number] => [Math.min(...values), Math.max(...values)];
  const across = $derived(range(line.map((p) => p.first)));
  const up = $derived(range(line.map((p) => p.second)));
  const x = (v: number): number => 44 + ((v - across[0]) / (across[1] - across[0] || 1)) * 240;
  const y = (v: number): number => 100 - ((v - up[0]) / (up[1] - up[0] || 1)) * 84;
</script>

{#if j}
  <section class="small" aria-label="Several responses joined">
    <p>
      <b>All wishes together {figure(100 * j.mean, 0)} of 100</b> ({figure(100 * j.low, 0)} to {figure(
        100 * j.high,
        0
      )}):
      {j.responses.map((r) => `${r.label} ${figure(r.mean, 1)} ± ${figure(1.96 * r.se, 1)}`).join(', ')}.
      {j.left_out.length ? `Without data and left out: ${j.left_out.join(', ')}.` : ''}
      <button class="link" onclick={() => show(j.x)}>To that point</button>
    </p>
    {#if line.length > 1}
      <svg
        viewBox="0 0 300 130"
        width="300"
        height="130"
        role="img"
        aria-label="Trade between {j.responses[0]?.label} and {j.responses[1]?.label}"
      >
        <path d="M{line.map((p) => `${x(p.first)} ${y(p.second)}`).join('L')}" />
        {#each line as p, n (n)}<circle cx={x(p.first)} cy={y(p.second)} r="3" />{/each}
        <text x="44" y="126">{j.responses[0]?.label} {figure(across[0], 1)} to {figure(across[1], 1)}</text>
        <text x="2" y="14">{figure(up[1], 1)}</text><text x="2" y="104">{figure(up[0], 1)}</text>
      </svg>
      <p class="soft">Along the line none is better in both: {j.responses[1]?.label} upward.</p>
    {/if}
  </section>
{/if}

<style>
  section {
    margin: 0.6rem 0;
    padding: 0.5rem 0.7rem;
    border: 1px solid var(--hairline);
  }

  p {
    margin: 0;
  }

  path {
    fill: none;
    stroke: var(--ink);
    stroke-width: 1.5;
  }

  circle {
    fill: var(--flax);
  }

  text {
    font-size: 11px;
    fill: var(--soft);
  }
</style>
