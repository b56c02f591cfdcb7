<!-- The parts of a batch: target and what is in, from which lots, what is short or left out, how they come together. -->
<script lang="ts">
  import { day } from '../../ui/format';
  import { grams, type Batch } from '../types';

  const { batch }: { batch: Batch } = $props();
  const step = $derived(Number(batch.making.step_g ?? 1));
  const planning = $derived(batch.state === 'planned' || batch.state === 'weighing');
  const MARK: Record<string, string> = { passes: '●', close: '◆', held: '■', open: '' };
  const lot = (
    part: Batch['parts'][number],
    id: number
  ): Batch['parts'][number]['lots'][number] | undefined => part.lots.find((l) => l.id === id);
</script>

<h2>{planning ? 'Parts and the lots they come from' : 'What was weighed, from which lots'}</h2>
<div class="scroll">
  <table class="lines">
    <thead>
      <tr
        ><th>Part</th><th class="num">Target</th><th class="num">In</th><th
          >{planning ? 'Drawn from' : 'Lots'}</th
        ></tr
      >
    </thead>
    <tbody>
      {#each batch.parts as p (p.ingredient)}
        <tr>
          <td><a href="#/ingredients/{p.ingredient}">{p.name}</a></td>
          <td class="num">{grams(p.target_g, step)} g</td>
          <td class="num {p.stands}">
            {#if p.poured_g}{MARK[p.stands]} {grams(p.poured_g, step)} g{:else}–{/if}
          </td>
          <td>
            {#if planning}
              {#each p.draws as d (d.id)}
                {@const from = lot(p, d.id)}
                <span class="draw">
                  <a href="#/trace/lot/{d.id}">{d.code}</a>
                  {grams(d.mass_g, step)} g{from?.best_before ? `, best before ${day(from.best_before)}` : ''}
                </span>
              {/each}
              {#if p.short_g > 0}<span class="held">■ {grams(p.short_g, step)} g short</span>{/if}
              {#each p.left_out as why (why)}<span class="small close">◆ {why}</span>{/each}
              {#if p.reserved_g > 0}<span class="small soft"
                  >{grams(p.reserved_g)} g kept for earlier plans</span
                >{/if}
              {#if p.too_coarse}<span class="small close">◆ {p.dilute}</span>{/if}
              {#if p.pours > 1}<span class="small soft">{p.pours} pours on this scale</span>{/if}
              {#if p.pours === 0}<span class="small held"
                  >■ the container alone is too heavy for this scale</span
                >{/if}
            {:else}
              {#each batch.mix?.draws.filter((d) => d.ingredient === p.ingredient) ?? [] as d (d.lot_code)}
                <span class="draw">
                  {#if d.lot_id}<a href="#/trace/lot/{d.lot_id}">{d.lot_code}</a>{:else}no lot on record{/if}
                  {grams(d.mass_g, step)} g{d.supplier ? `, ${d.supplier}` : ''}
                </span>
              {/each}
            {/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
</div>
{#if planning}
  <h2>How they come together</h2>
  <ol>
    {#each batch.adding as s, n (n)}<li>{s.say}</li>{/each}
  </ol>
{/if}

<style>
  h2 {
    margin: 1rem 0 0.3rem;
  }

  .scroll {
    overflow-x: auto;
  }

  .draw,
  td > .small,
  td > .held {
    display: block;
  }

  ol {
    padding-left: 1.2rem;
    list-style: decimal;
    max-width: 44rem;
  }
</style>
