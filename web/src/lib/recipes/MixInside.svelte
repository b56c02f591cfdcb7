<!-- The mix that a gluten-free recipe names itself: how it stands, and one action that makes it a blend and a formula. -->
<script lang="ts">
  import { push } from 'svelte-spa-router';
  import type { Schemas } from '../api/client';
  import { kitchen } from '../app/kitchen.svelte';
  import { weighed } from '../blends/bench/moves';
  import MiniColumn from '../blends/column/MiniColumn.svelte';
  import { makeMix } from '../formulas/making';
  import type { Content } from '../formulas/types';
  import { figure } from '../ui/format';
  import { attempt } from '../ui/state/attempt';

  interface Props {
    mix: Schemas['FoundMixOut'];
    name: string;
    use: string | null;
  }
  const { mix, name, use }: Props = $props();
  const parts = $derived([...mix.parts].sort((a, b) => b.mass_g - a.mass_g));

  async function make(): Promise<void> {
    const blend = {
      use,
      parts: mix.parts.map((p) => weighed(p.ingredient, p.mass_g))
    };
    const formula = { ...mix.content, use } as Content;
    await push(
      await makeMix(
        `${name}, its mix`.slice(0, 120),
        { blend, formula },
        `Found in the recipe “${name}”.`,
        null,
        name
      )
    );
  }
</script>

<section aria-label="The mix in it">
  <h2>{use ? `As ${kitchen.useName(use).toLowerCase()}: ${mix.say}` : 'The mix that it names itself'}</h2>
  <p class="soft">
    {#if mix.score !== null}Fit {figure(mix.score, 0)} of 100, guessed from its words.{:else}Say what it is
      for, and it is judged.{/if}
  </p>
  <div class="found">
    <MiniColumn layers={mix.parts} height={150} width={46} />
    <ul>
      {#each parts as p (p.ingredient)}
        <li>
          <span>{p.name}</span><span class="num">{figure(p.mass_g, p.mass_g < 10 ? 1 : 0)} g</span><span
            class="num soft">{figure(p.flour_pct, 1)} % of flour</span
          >
        </li>
      {/each}
    </ul>
  </div>
  <p><button class="action main" onclick={() => attempt(make)}>Make it a blend and a formula</button></p>
</section>

<style>
  h2 {
    margin-top: 0.75rem;
  }

  .found {
    display: flex;
    gap: 1rem;
    margin: 0.6rem 0;
  }

  li {
    display: grid;
    grid-template-columns: minmax(9rem, 1fr) 4.5rem 9.5rem;
    gap: 0.5rem;
    max-width: 30rem;
  }

  .num {
    text-align: right;
  }
</style>
