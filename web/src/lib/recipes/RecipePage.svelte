<!-- A recipe pasted on the left, read line by line; on the right what it becomes with a blend, change by change. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { allPages, api, ask, wordsOf } from '../api/client';
  import type { Content } from '../formulas/types';
  import { formulas } from '../formulas/reference.svelte';
  import { startFormula } from '../formulas/making';
  import { kitchen } from '../app/kitchen.svelte';
  import { handedOver } from '../begin/handed';
  import { attempt } from '../ui/state/attempt';
  import { notices } from '../ui/state/notices.svelte';
  import Conversion from './Conversion.svelte';
  import MixInside from './MixInside.svelte';
  import ReadLines from './ReadLines.svelte';
  import { Recipe } from './recipe.svelte';

  const recipe = new Recipe();
  let writing = $state(false);
  /** What is pressed beside the text must not move away under the finger. */
  const SHRINKS_AFTER_MS = 400;
  const SAMPLE = `Platform scones\nMakes 8\n\n250 g plain flour\n1 tbsp baking powder\n½ tsp salt\n60 g cold butter, cubed\n2 tbsp caster sugar\n1 large egg\n120–140 ml milk\n\nBake at 220 °C (430 °F) for 12 minutes.`;

  $effect(() => recipe.work());

  onMount(async () => {
    const handed = handedOver('recipe');
    if (handed) recipe.paste(handed.text);
    try {
      await formulas.load();
      recipe.blends = await allPages((cursor) =>
        ask(api.GET('/api/v1/blends', { params: { query: { cursor, limit: 100 } } }))
      );
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  });

  const name = $derived(recipe.read?.title || 'Pasted recipe');
  const readable = $derived(recipe.read?.content.lines.length ?? 0);
</script>

<div class="two-sides" style:--first="minmax(26rem, 44%)">
  <section class="left" aria-label="The recipe">
    <div class="page-head">
      <h1>A recipe, as it is written</h1>
    </div>
    <!-- Once it is read the text stands below, marked up; what was pasted is opened again to be changed. -->
    <textarea
      class="field"
      class:read={recipe.read && !writing}
      aria-label="Recipe"
      rows={recipe.read && !writing ? 1 : 12}
      onfocus={() => (writing = true)}
      onblur={() => setTimeout(() => (writing = false), SHRINKS_AFTER_MS)}
      spellcheck="false"
      maxlength="20000"
      placeholder="Paste a recipe here: cups, spoons, ounces or grams, one ingredient a line."
      value={recipe.text}
      oninput={(e) => recipe.paste(e.currentTarget.value)}></textarea>
    {#if recipe.read && !writing}<p class="small soft pasted">
        Change what was pasted in the field above.
      </p>{/if}
    {#if recipe.trouble}<p class="held" role="alert">{recipe.trouble}</p>{/if}
    {#if recipe.read}
      <ReadLines {recipe} read={recipe.read} />
    {:else if !recipe.text.trim()}
      <p class="my-3">
        Each line is read into a mass; what had to be guessed is marked, what was not understood stays for
        you. Nothing is stored until you make it a formula. <button
          class="link"
          onclick={() => (recipe.text = SAMPLE)}>Try with a sample</button
        >
      </p>
    {/if}
  </section>

  <section class="right" aria-label="Made over">
    <p class="sentence">
      Made over with
      <select
        class="field"
        aria-label="Blend"
        value={recipe.blend?.blend_id ?? ''}
        onchange={(e) =>
          attempt(() => recipe.takeBlend(e.currentTarget.value ? Number(e.currentTarget.value) : null))}
      >
        <option value="">which blend?</option>
        {#each recipe.blends as b (b.head.id)}<option value={b.head.id}>{b.head.name}</option>{/each}
      </select>
      {#if recipe.blend?.revision}<span class="soft small">revision {recipe.blend.revision}</span>{/if}
      for
      <select
        class="field"
        aria-label="Use"
        value={recipe.use ?? ''}
        onchange={(e) => (recipe.use = e.currentTarget.value || null)}
      >
        <option value="">which bake?</option>
        {#each kitchen.reference?.uses ?? [] as use (use.slug)}<option value={use.slug}>{use.name}</option
          >{/each}
      </select>
      binding with
      <select
        class="field"
        aria-label="Binder school"
        value={recipe.school ?? ''}
        onchange={(e) => (recipe.school = (e.currentTarget.value || null) as typeof recipe.school)}
      >
        <option value="">the kitchen's school</option>
        {#each formulas.reference?.schools ?? [] as s (s.name)}<option value={s.name}>{s.label}</option
          >{/each}
      </select>
    </p>
    {#if recipe.cannot}<p class="held" role="alert">{recipe.cannot}</p>{/if}
    {#if recipe.over}
      <Conversion {recipe} over={recipe.over} />
      <p class="does">
        <button
          class="action main"
          onclick={() => attempt(() => startFormula(name, recipe.over!.content as Content))}
          >Make it a formula</button
        >
      </p>
    {:else if recipe.read?.mix && !recipe.blend}
      <MixInside mix={recipe.read.mix} {name} use={recipe.use ?? recipe.read.use} />
      {#if readable}<p class="mt-3">
          <button
            class="action"
            onclick={() => attempt(() => startFormula(name, recipe.read!.content as Content))}
            >Make it a formula as it is</button
          >
        </p>{/if}
    {:else if recipe.read}
      <p class="my-3">
        {#if !recipe.blend}Choose the blend that takes its flour's place, and every change stands here with
          its reason and size.
        {:else if !recipe.use}Say what it is, for water and binder depend on it.{/if}
      </p>
      {#if readable}<p>
          <button
            class="action"
            onclick={() => attempt(() => startFormula(name, recipe.read!.content as Content))}
            >Make it a formula as it is</button
          > <span class="small soft">{readable} lines were understood</span>
        </p>{/if}
    {:else}
      <p class="soft my-3">What it becomes stands here.</p>
    {/if}
  </section>
</div>

<style>
  textarea {
    width: 100%;
    margin-top: 0.6rem;
    font-family: 'Atkinson Hyperlegible Mono', monospace;
    font-size: 0.875rem;
    line-height: 1.35;
  }

  textarea.read {
    height: 2rem;
    overflow: hidden;
    color: var(--soft);
    resize: none;
  }

  .pasted {
    margin: 0.1rem 0 0;
  }

  .sentence {
    line-height: 2.3;
  }

  .sentence select {
    max-width: 15rem;
  }

  .does {
    display: flex;
    gap: 0.5rem;
    margin-top: 0.75rem;
  }
</style>
