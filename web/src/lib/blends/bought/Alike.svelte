<!-- A mix like the bag's from one's own bins: what to do without, whether to cost less, and how alike it comes out. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import { kitchen } from '../../app/kitchen.svelte';
  import { serverOf } from '../../document/server';
  import { figure, money } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import type { Schemas } from '../../api/client';
  import type { Bought } from './bought.svelte';

  const { bought }: { bought: Bought } = $props();
  const like = $derived(bought.like);
  const mass = $derived(like?.parts.reduce((sum, p) => sum + p.part.mass_g, 0) ?? 1);
  /** The furthest apart first: that is what one would taste. */
  const apart = $derived([...(like?.likeness ?? [])].sort((a, b) => b.widths - a.widths).slice(0, 6));
  const NEAR = 0.34;

  async function keep(): Promise<void> {
    const content: Schemas['BlendContentOut'] = { use: bought.use, parts: like!.parts.map((p) => p.part) };
    const made = await serverOf<typeof content>('blends').add('Like a bought mix', null, content);
    await push(`/bench/${made.head.id}`);
  }
</script>

<section aria-label="Make one like it">
  <h2>Make one like it</h2>
  {#if !bought.use}
    <p class="soft">Say above what it is for: what counts as alike depends on it.</p>
  {:else}
    <p class="ask">
      <span>From your bins, without</span>
      {#each bought.opened?.shares ?? [] as { share, name } (share.ingredient)}
        <label
          ><input
            type="checkbox"
            checked={bought.without.includes(share.ingredient)}
            onchange={(e) => bought.leave(share.ingredient, e.currentTarget.checked)}
          />
          {name.toLowerCase()}</label
        >
      {/each}
      <label
        ><input type="checkbox" bind:checked={bought.cheaper} /> for 15 % less than its parts would cost</label
      >
    </p>
    <p>
      <button class="action main" disabled={bought.busy} onclick={() => attempt(() => bought.makeAlike())}
        >{bought.busy ? 'Looking…' : 'Find it'}</button
      >
    </p>
  {/if}
  {#if bought.cannot}<p class="held" role="alert">{bought.cannot}</p>{/if}
  {#if like}
    <p class="sentence" aria-live="polite">
      {like.say}{#if like.fit !== null}&ensp;<b>Fit {figure(like.fit, 0)} of 100.</b
        >{/if}{#if like.cost_per_kg !== null}&ensp;{money(like.cost_per_kg, kitchen.settings?.currency ?? '')} a
        kg.{/if}
    </p>
    {#each like.notes as note, n (n)}<p class="small">{note}</p>{/each}
    <div class="two">
      <ul aria-label="Its parts">
        {#each like.parts as { part, name } (part.ingredient)}
          <li>
            <span>{name}</span><span class="num">{figure((100 * part.mass_g) / mass, 1)} %</span>
          </li>
        {/each}
      </ul>
      <table>
        <caption class="small soft">Least alike first</caption>
        <thead class="small soft"
          ><tr
            ><th scope="col"></th><th scope="col" class="num">the bag</th><th scope="col" class="num"
              >yours</th
            ></tr
          ></thead
        >
        <tbody>
          {#each apart as l (l.metric)}
            <tr
              ><th scope="row">{l.label} <span class="small soft">{l.unit}</span></th><td class="num"
                >{figure(l.wanted, 1)}</td
              ><td class="num">{figure(l.found, 1)}</td><td class="small soft"
                >{l.widths < NEAR ? 'alike' : 'apart'}</td
              ></tr
            >
          {/each}
        </tbody>
      </table>
    </div>
    <p><button class="action" onclick={() => attempt(keep)}>Put it on a bench</button></p>
  {/if}
</section>

<style>
  section {
    margin-top: 1.25rem;
    padding-top: 0.75rem;
    border-top: 1px solid var(--hairline);
  }

  .ask {
    display: flex;
    flex-wrap: wrap;
    gap: 0.2rem 0.9rem;
    margin: 0.3rem 0 0.6rem;
  }

  section > p {
    margin: 0.4rem 0;
  }

  .two {
    display: grid;
    grid-template-columns: minmax(14rem, 1fr) minmax(16rem, 1fr);
    gap: 1.25rem;
    margin: 0.5rem 0;
  }

  li {
    display: grid;
    grid-template-columns: 1fr 4rem;
  }

  caption {
    text-align: left;
  }

  th,
  td {
    padding: 0 0.6rem 0 0;
    font-weight: 400;
    text-align: left;
  }

  .num {
    text-align: right;
    white-space: nowrap;
  }

  @media (max-width: 600px) {
    section > p {
      margin: 0.4rem 0;
    }

    .two {
      grid-template-columns: 1fr;
    }
  }
</style>
