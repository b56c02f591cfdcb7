<!-- A dough that rests: its ripeness as a rope, an open gate where it is ripe, what its readings say. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { lasting, minutesBetween, timeOf } from '../clock';
  import { swell } from '../drawing/lanes';
  import type { Step } from '../types';

  const { step, now, zone }: { step: Step; now: number; zone: string } = $props();
  const W = 340;
  const from = $derived(Date.parse(step.at));
  const to = $derived(Math.max(Date.parse(step.gate?.[1] ?? step.end), Date.parse(step.end)));
  const x = $derived(
    scaleLinear()
      .domain([from, to])
      .range([4, W - 6])
      .clamp(true)
  );
  const end = $derived(swell(step.ripeness ?? 0.3));
</script>

<div class="rest">
  <p>
    <b>{step.product}: {step.step.replace('-', ' ')}</b>
    <span class="soft">{step.place}{step.temp_c === null ? '' : `, ${step.temp_c.toFixed(0)} °C`}</span>
  </p>
  <p class="passes">
    {#if step.gate}Ripe about {timeOf(step.end, zone)}, between {timeOf(step.gate[0]!, zone)} and {timeOf(
        step.gate[1]!,
        zone
      )}{:else}{lasting(Math.max(0, minutesBetween(now, step.end)))} left, to {timeOf(step.end, zone)}{/if}
  </p>
  {#each step.flags as flag, n (n)}<p class="held">{flag}</p>{/each}
  <svg
    width={W}
    height="34"
    role="img"
    aria-label="Ripeness from {timeOf(step.at, zone)} to {timeOf(step.end, zone)}"
  >
    <path class="to-come" d="M{x(from)} 15L{x(Date.parse(step.end))} {17 - end}V{17 + end}L{x(from)} 19Z" />
    <clipPath id="so-far-{step.step}"><rect x="0" y="0" width={x(now)} height="34" /></clipPath>
    <path
      class="rope"
      clip-path="url(#so-far-{step.step})"
      d="M{x(from)} 15L{x(Date.parse(step.end))} {17 - end}V{17 + end}L{x(from)} 19Z"
    />
    <path class="now" d="M{x(now)} 2v30" />
    {#if step.gate}
      {@const a = x(Date.parse(step.gate[0]!))}
      {@const b = x(Date.parse(step.gate[1]!))}
      <path class="gate" d="M{a + 5} 4H{a}V30h5M{b - 5} 4H{b}V30h-5" />
    {/if}
  </svg>
</div>

<style>
  .rest + :global(.rest) {
    margin-top: 0.6rem;
  }

  p {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-between;
    gap: 0 1rem;
  }

  svg {
    display: block;
    max-width: 100%;
  }

  .to-come {
    fill: none;
    stroke: var(--line);
    stroke-dasharray: 3 3;
  }

  .rope {
    fill: var(--role-whole_grain);
    stroke: var(--role-ink);
  }

  .now {
    stroke: var(--ink);
    stroke-width: 2;
  }

  .gate {
    fill: none;
    stroke: var(--passes);
    stroke-width: 2.5;
  }
</style>
