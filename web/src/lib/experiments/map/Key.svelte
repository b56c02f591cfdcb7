<!-- The key of the map: five shades with their limits, chalk, today, where the best lies. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import type { Experiment } from '../types';

  const { experiment: e }: { experiment: Experiment } = $props();
  const decimals = $derived(e.response.unit === 'of 9' ? 1 : 2);
  const levels = $derived(e.picture?.levels ?? []);
  const rows = $derived(
    levels.length
      ? [
          { n: 4, say: `${figure(levels[3] ?? null, decimals)} and more` },
          ...[3, 2, 1].map((n) => ({
            n,
            say: `${figure(levels[n - 1] ?? null, decimals)} to ${figure(levels[n] ?? null, decimals)}`
          })),
          { n: 0, say: `under ${figure(levels[0] ?? null, decimals)}` }
        ]
      : []
  );
  const twins = $derived(e.runs.filter((r) => r.is_today).map((r) => r.number));
</script>

<div class="key small">
  {#if rows.length}
    <p><b>{e.response.label}, {e.response.unit}</b></p>
    <ul>
      {#each rows as row (row.n)}<li><span class="s{row.n}"></span>{row.say}</li>{/each}
      <li>
        <span class="chalk"></span>chalk: standard error over {figure(e.picture?.chalk ?? null, 1)}, a guess
      </li>
    </ul>
  {/if}
  <ul>
    <li><span class="ring"></span>today{twins.length ? `, baked as ${twins.join(', ')}` : ''}</li>
    {#if rows.length}<li><span class="dots"></span>best lies here, 9 times in 10</li>{/if}
    <li><span class="mesh"></span>outside the limits</li>
  </ul>
</div>

<style>
  p {
    margin: 0 0 0.3rem;
  }

  ul {
    margin: 0 0 0.5rem;
  }

  li {
    display: flex;
    align-items: center;
    gap: 0.6rem;
    line-height: 1.5;
  }

  li span {
    flex: none;
    width: 30px;
    height: 18px;
    border: 1px solid #17231f;
  }

  .s0 {
    background: #e9efe9;
  }

  .s1 {
    background: #cdd8d0;
  }

  .s2 {
    background: #a8bab0;
  }

  .s3 {
    background: #7b968a;
  }

  .s4 {
    background: #4a6b60;
  }

  .chalk {
    background: radial-gradient(#fbfcf9 1.2px, transparent 1.4px) 0 0 / 6px 6px #7b968a;
  }

  li .ring {
    width: 22px;
    height: 22px;
    margin: 0 4px;
    border: 2px solid var(--ink);
    border-radius: 50%;
  }

  li .dots {
    height: 0;
    border: 0;
    border-top: 3px dotted var(--ink);
  }

  .mesh {
    background:
      repeating-linear-gradient(45deg, transparent 0 5px, var(--mesh) 5px 6px),
      repeating-linear-gradient(-45deg, transparent 0 5px, var(--mesh) 5px 6px);
  }
</style>
