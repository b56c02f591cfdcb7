<!-- Scale: to a tin, pieces, flour or dough; rounded to the scale; whole eggs; taken as one step. -->
<script lang="ts">
  import { figure, mass, shortName } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { notices } from '../../ui/state/notices.svelte';
  import type { FormulaBench } from '../bench/formula.svelte';
  import HowMuch from './HowMuch.svelte';
  import { Scaling, tinOf, type Way } from './scaling.svelte';
  import TinPicture from './TinPicture.svelte';
  import type { FormulaLine } from '../types';

  const { bench }: { bench: FormulaBench } = $props();
  // svelte-ignore state_referenced_locally
  const scaling = new Scaling(bench.head.id);
  const w = $derived(scaling.wish);
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
  const r = $derived(scaling.result);
  const whole = (g: number): string => mass(g >= 100 ? Math.round(g) : g, unit);
  const moves = $derived(
    r
      ? r.rounded.lines.map((l, n) => ({
          l,
          exact: r.scaled.lines[n]!.mass_g,
          before: bench.lines[n]?.mass_g,
          n
        }))
      : []
  );
  const WAYS: [Way, string][] = [
    ['tin', 'a tin'],
    ['pieces', 'pieces'],
    ['flour', 'flour'],
    ['dough', 'dough in all']
  ];

  $effect(() => scaling.work(bench.content));

  function piecesOf(): number {
    if (w.way === 'pieces') return Math.round(w.pieces);
    return w.way === 'tin' ? w.tins * (w.shape === 'cups' ? w.count : 1) : bench.content.pieces;
  }

  function take(lines: readonly FormulaLine[], what: string): void {
    bench.set({ lines: lines.map((l) => ({ ...l })), pieces: piecesOf() });
    notices.say(`Scaled: ${what}. Undo goes back.`);
  }
</script>

<div class="ways" role="radiogroup" aria-label="Scale to">
  <span>Scale to</span>
  {#each WAYS as [way, label] (way)}
    <label>
      <input
        type="radio"
        name="way"
        checked={w.way === way}
        onchange={() => (scaling.wish = { ...w, way })}
      />
      {label}
    </label>
  {/each}
</div>
{#if scaling.wrong}<p class="held" role="alert">{scaling.wrong}</p>{/if}
{#if r}
  <p class="answer">
    <b>× {figure(r.scaled.factor, 2)}: {whole(r.scaled.dough_g)} of dough</b>{r.tin
      ? `, ${whole(r.tin.each_g)} in each; the tin holds ${figure(r.tin.volume_ml, 0)} mL`
      : ''}
    <button class="action main" onclick={() => take(r.rounded.lines, 'rounded to the scale')}
      >Take it, rounded</button
    >
    <button class="action" onclick={() => take(r.scaled.lines, 'exact')}>exact</button>
  </p>
  {#if r.tin?.warning}<p class="close">{r.tin.warning}</p>{/if}
  {#if r.eggs}
    <p class="small">
      {r.eggs.say}
      {#if Math.abs(r.eggs.count - r.eggs.whole) > 0.02}
        <button class="link" onclick={() => take(r.eggs!.lines, 'with whole eggs')}
          >take it with whole eggs</button
        >
      {/if}
    </p>
  {/if}
{/if}
<div class="two">
  <section aria-label="How much">
    <HowMuch {scaling} />
    {#if r?.tin && w.way === 'tin'}<TinPicture tin={tinOf(w)} fill={r.tin.fill} risen={r.tin.risen} />{/if}
  </section>
  <section aria-label="What it gives">
    <table class="lines">
      <thead>
        <tr>
          <th scope="col">ingredient</th><th scope="col" class="num">now</th>
          <th scope="col" class="num">exact</th><th scope="col" class="num">to weigh, {unit}</th>
        </tr>
      </thead>
      <tbody>
        {#each moves as m (m.n)}
          <tr>
            <th scope="row">{shortName(bench.nameOf(m.l, m.n))}</th>
            <td class="num soft">{figure(m.before, 1)}</td>
            <td class="num soft">{figure(m.exact, 2)}</td>
            <td class="num"><b>{figure(m.l.mass_g, r?.rounded.too_fine.includes(m.n) ? 2 : 1)}</b></td>
          </tr>
        {/each}
      </tbody>
    </table>
    {#if r}
      <p class="small soft">
        Rounded by largest remainder, so that the total stays: no line moved by more than {figure(
          r.rounded.moved_pct,
          1
        )} %. {r.rounded.too_fine.length ? 'Two decimals: too fine for this scale, see Binder.' : ''}
        <a href="#/method/scaling">How?</a>
      </p>
    {/if}
  </section>
</div>

<style>
  .ways {
    display: flex;
    flex-wrap: wrap;
    gap: 0.3rem 0.9rem;
  }

  .two {
    display: grid;
    grid-template-columns: minmax(17rem, 1fr) minmax(16rem, 1fr);
    gap: 0.5rem 1.5rem;
    margin-top: 0.25rem;
  }

  .answer {
    margin-top: 0.4rem;
    font-size: 1.0625rem;
    line-height: 2.1;
  }

  @media (max-width: 1100px) {
    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
