<!-- The day as a column: a stratum a stage, its thickness by the root of its minutes; the planned day is a ghost. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import type { Trial } from '../types';

  const { trial }: { trial: Trial } = $props();
  const WIDTH = 96;
  const PX = 9; // a root of a minute
  const LEAST = 40;
  const thick = (minutes: number | null): number =>
    minutes === null ? 0 : Math.max(LEAST, PX * Math.sqrt(minutes));
  const stages = $derived.by(() => {
    let y = 0;
    return trial.day.map((s) => {
      const height = Math.max(thick(s.done_min ?? s.planned_min), LEAST);
      const ghost = s.planned_min === null ? 0 : thick(s.planned_min);
      const at = { ...s, y, height, ghost };
      y += height;
      return at;
    });
  });
  const total = $derived(stages.reduce((sum, s) => sum + s.height, 0));
  const hours = (minutes: number): string =>
    minutes < 120 ? `${figure(minutes, 0)} min` : `${figure(minutes / 60, 1)} h`;
  const differs = (s: { planned_min: number | null; done_min: number | null }): string => {
    if (s.done_min === null || s.planned_min === null) return '';
    const by = s.done_min - s.planned_min;
    return Math.abs(by) < 0.5 ? '' : `${hours(Math.abs(by))} ${by > 0 ? 'longer' : 'shorter'}`;
  };
  const warm = (s: { planned_c: number | null; done_c: number | null }): string => {
    const c = s.done_c ?? s.planned_c;
    if (c === null) return '';
    const by = s.done_c === null || s.planned_c === null ? 0 : Math.round(s.done_c - s.planned_c);
    return `${figure(c, 0)} °C${by ? ` (${by > 0 ? '+' : '−'}${Math.abs(by)} K)` : ''}`;
  };
</script>

<figure>
  <figcaption class="sr-only">The day of the bake, stage by stage</figcaption>
  <div class="day" style="height: {total}px">
    <svg width={WIDTH} height={total} viewBox="0 0 {WIDTH} {total}" aria-hidden="true">
      {#each stages as s (s.stage)}
        <g class={s.done_min === null ? 'open' : ''} data-stage={s.stage}>
          <rect class="stratum {s.stage}" x="14" y={s.y + 0.5} width="48" height={s.height - 1} />
          {#if s.planned_min !== null}
            <path class="ghost" d="M8 {s.y}v{s.ghost - 2}m-4 0h8" />
          {/if}
          <path class="hair" d="M62 {s.y + s.height / 2}H{WIDTH}" />
        </g>
      {/each}
    </svg>
    <ul>
      {#each stages as s (s.stage)}
        <li style="top: {s.y + s.height / 2}px">
          <span class="name">{s.label}</span>
          {#if s.done_min === null}
            <span class="small soft">{hours(s.planned_min ?? 0)} planned</span>
          {:else}<span class="num">{hours(s.done_min)}</span>{/if}
          <span class="small soft">{warm(s)}</span>
          {#if differs(s)}<span class="small differs">{differs(s)}</span>{/if}
        </li>
      {/each}
    </ul>
  </div>
  {#if stages.length}
    <p class="small soft key">Thickness: root of the minutes. Line at the left: as planned.</p>
  {/if}
</figure>

<style>
  figure {
    margin: 0.25rem 0 0;
  }

  .day {
    position: relative;
  }

  ul {
    position: absolute;
    inset: 0 0 auto 100px;
  }

  li {
    position: absolute;
    transform: translateY(-50%);
    display: flex;
    flex-wrap: wrap;
    gap: 0 0.4rem;
    width: 10.5rem;
    line-height: 1.2;
  }

  .name {
    font-weight: 600;
  }

  .differs {
    color: var(--close);
    font-weight: 600;
  }

  .stratum {
    fill: var(--role-starch);
    stroke: var(--ink);
    stroke-width: 1;
  }

  .stratum.mixing {
    fill: var(--role-refined_flour);
  }

  .stratum.rest,
  .stratum.chill {
    fill: var(--ground);
  }

  .stratum.proof {
    fill: var(--passes-wash);
  }

  .stratum.bake,
  .stratum.boil {
    fill: var(--role-whole_grain);
  }

  .open .stratum {
    fill: none;
    stroke-dasharray: 4 4;
  }

  .ghost {
    fill: none;
    stroke: var(--line);
    stroke-width: 1.5;
  }

  .hair {
    stroke: var(--hairline);
  }

  .key {
    margin-top: 0.6rem;
  }
</style>
