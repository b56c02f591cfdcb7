<!-- The step that is chosen: when, what in hand, why then, and what else could be done. -->
<script lang="ts">
  import { kitchen } from '../app/kitchen.svelte';
  import { mass } from '../ui/format';
  import { dayOf, lasting, minutesBetween, timeOf } from './clock';
  import { stepKey } from './keys';
  import type { ScheduleBench } from './schedule.svelte';
  import WaysOut from './running/WaysOut.svelte';
  import Options from './asking/Options.svelte';
  import WhyThen from './WhyThen.svelte';

  interface Props {
    bench: ScheduleBench;
    ovens: readonly string[];
    now: number;
  }
  const { bench, ovens, now }: Props = $props();
  const step = $derived(bench.step);
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const hands = $derived(step ? step.hands.reduce((sum, [a, b]) => sum + minutesBetween(a!, b!), 0) : 0);

  function act(key: string): void {
    if (step) stepKey(new KeyboardEvent('keydown', { key }), step, bench, ovens, now);
  }
</script>

<section class="panel" aria-label="The step that is chosen">
  {#if step}
    <div class="what">
      <h2>{step.do}</h2>
      <p>
        <span class="at num">{timeOf(step.at, bench.zone)}</span>
        <span class="small"
          >{dayOf(step.at, bench.zone)}, {step.product}<br />
          {lasting(minutesBetween(step.at, step.end))}{hands ? `, ${lasting(hands)} of hands` : ''}, {step.oven ??
            step.place}{step.temp_c !== null ? ` ${step.temp_c.toFixed(0)} °C` : ''}</span
        >
      </p>
      {#if step.announced && step.announced !== step.at}
        <p class="small soft">announced {timeOf(step.announced, bench.zone)}</p>
      {/if}
      <p class="keys small">
        <button class="action" onclick={() => act('ArrowLeft')}><kbd>←</kbd> 5 min</button>
        <button class="action" onclick={() => act('ArrowRight')}><kbd>→</kbd></button>
        <button class="action" aria-pressed={bench.isPinned(step)} onclick={() => act('p')}
          ><kbd>P</kbd> {bench.isPinned(step) ? 'held here' : 'hold'}</button
        >
        {#if step.oven && ovens.length > 1}
          <button class="action" onclick={() => act('o')}><kbd>O</kbd> other oven</button>
        {/if}
      </p>
    </div>
    <div class="grams">
      {#if step.grams.length}
        <table class="lines">
          <tbody>
            {#each step.grams as g, n (n)}
              <tr>
                <td>{g.name}</td>
                <td class="num">{g.mass_g === null ? '' : mass(g.mass_g, unit)}</td>
                <td class="num">{g.temp_c === null ? '' : `${g.temp_c.toFixed(0)} °C`}</td>
              </tr>
            {/each}
          </tbody>
        </table>
      {/if}
      {#each step.notes as note, n (n)}<p class="small note">{note}</p>{/each}
      {#each step.flags as flag, n (n)}<p class="small held">{flag}</p>{/each}
      {#if step.gate}
        <p class="small passes">
          Ripe between {timeOf(step.gate[0]!, bench.zone)} and {timeOf(step.gate[1]!, bench.zone)}{step.rim_at
            ? `; at the rim ${timeOf(step.rim_at, bench.zone)}`
            : ''}.
        </p>
      {/if}
    </div>
    <WhyThen reasons={bench.why} at={step.at} zone={bench.zone} />
    {#if step.kind === 'ferment' && step.state === 'running'}<WaysOut {bench} {step} />{/if}
  {:else}
    <p class="soft choose">
      Choose a knot to see what is done there, what lets it begin then, and to move it: drag it, or use ← and
      →.
    </p>
    <Options {bench} />
  {/if}
</section>

<style>
  .panel {
    display: grid;
    grid-template-columns: minmax(20rem, 1.1fr) minmax(14rem, 1fr) minmax(26rem, 1.4fr);
    gap: 0.5rem 2rem;
    padding: 0.6rem 1.25rem 0.9rem;
    border-top: 2px solid var(--flax);
    background: var(--ground);
    min-height: 10rem;
    max-height: 45vh;
    overflow-y: auto;
  }

  .what p {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.25rem 0.75rem;
  }

  .at {
    color: var(--flax);
    font-size: 2rem;
    font-weight: 600;
    line-height: 1.15;
  }

  .keys .action {
    min-height: 32px;
    padding: 0 0.5rem;
  }

  .note {
    max-width: 30rem;
  }

  @media (max-width: 1120px) {
    .panel {
      grid-template-columns: 1fr;
    }
  }
</style>
