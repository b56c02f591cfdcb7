<!-- A formula in the list: name, what it rests on, how it stands, and its water in the window. -->
<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import type { Schemas } from '../api/client';
  import { counted, figure, mass } from '../ui/format';
  import { kitchen } from '../app/kitchen.svelte';
  import StatusIcon from '../bands/StatusIcon.svelte';
  import { STANDS } from '../bands/words';

  const { formula }: { formula: Schemas['FormulaSummary'] } = $props();
  const f = $derived(formula.standing);
  const W = 210;
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const x = $derived(
    scaleLinear()
      .domain([0, Math.max(f.wanted_high_pct ?? 0, f.hydration_pct ?? 0, 10) * 1.15])
      .range([0, W])
  );
  const about = $derived(
    [
      f.blend_name ? `on ${f.blend_name}` : 'no blend yet',
      f.use ? kitchen.useName(f.use).toLowerCase() : 'no use chosen',
      f.dough_g !== null && `${mass(f.dough_g, unit)} dough`,
      f.bakes > 0 && `${counted(f.bakes, 'bake')} behind its water`,
      f.revisions === 0 ? 'not kept yet' : `${f.revisions} kept${f.kept ? '' : ', draft changed since'}`
    ]
      .filter(Boolean)
      .join(' · ')
  );
</script>

<a class="formula" href="#/formula/{formula.head.id}">
  <span class="about">
    <span class="name">{formula.head.name}</span>
    <span class="small soft">{about}</span>
  </span>
  <span class="state"><StatusIcon status={STANDS[f.state]!.status} /> <span>{f.say}</span></span>
  <span class="water">
    {#if f.hydration_pct !== null}
      <svg
        width={W}
        height="26"
        role="img"
        aria-label="Water {figure(f.hydration_pct, 0)} % of flour{f.wanted_low_pct === null
          ? ''
          : `, wanted ${figure(f.wanted_low_pct, 0)} to ${figure(f.wanted_high_pct, 0)}`}"
      >
        {#if f.wanted_low_pct !== null && f.wanted_high_pct !== null}
          <rect
            class="window"
            x={x(f.wanted_low_pct)}
            y="2"
            width={x(f.wanted_high_pct) - x(f.wanted_low_pct)}
            height="22"
          />
          <path class="wall" d="M{x(f.wanted_low_pct)} 2v22M{x(f.wanted_high_pct)} 2v22" />
        {/if}
        <rect class="in" x="0" y="8" width={x(f.hydration_pct)} height="10" />
      </svg>
      <span class="num small">{figure(f.hydration_pct, 0)} %</span>
    {/if}
  </span>
</a>

<style>
  .formula {
    display: grid;
    grid-template-columns: minmax(16rem, 1.2fr) minmax(12rem, 1fr) 17rem;
    align-items: center;
    gap: 0.5rem 1.5rem;
    padding: 0.55rem 0.35rem;
    color: var(--ink);
    text-decoration: none;
  }

  .formula:hover {
    background: var(--sheet);
  }

  .about {
    display: flex;
    flex-direction: column;
    min-width: 0;
  }

  .name {
    font-weight: 600;
  }

  .state {
    display: flex;
    gap: 0.4rem;
    min-width: 0;
  }

  .state :global(svg) {
    flex: none;
    margin-top: 0.15rem;
  }

  .water {
    display: flex;
    align-items: center;
    gap: 0.5rem;
  }

  .window {
    fill: var(--passes-wash);
  }

  .wall {
    stroke: var(--ink);
    stroke-width: 1.5;
  }

  .in {
    fill: var(--role-starch);
    stroke: var(--role-ink);
    stroke-width: 0.7;
  }

  @media (max-width: 860px) {
    .formula {
      grid-template-columns: 1fr;
    }
  }
</style>
