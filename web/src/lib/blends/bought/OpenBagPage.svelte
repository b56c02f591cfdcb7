<!-- A bought mix opened: its list and panel as printed on the left, what is in it on the right. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { push } from 'svelte-spa-router';
  import type { Schemas } from '../../api/client';
  import { handedOver } from '../../begin/handed';
  import { kitchen } from '../../app/kitchen.svelte';
  import { serverOf } from '../../document/server';
  import Gap from '../../ingredients/Gap.svelte';
  import { figure, shortName } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import Alike from './Alike.svelte';
  import { Bought } from './bought.svelte';
  import Shares from './Shares.svelte';

  const bought = new Bought();
  const opened = $derived(bought.opened);
  const most = $derived(opened?.shares[0]);
  const SAMPLE = {
    list: 'Ingredients: white rice flour, potato starch, tapioca starch, chickpea flour (10%), thickener: xanthan gum.',
    panel:
      'per 100 g\nFat 0.9 g\nCarbohydrate 81 g\nof which sugars 1.2 g\nFibre 2.1 g\nProtein 5.8 g\nSalt 0.04 g'
  };

  onMount(() => {
    const handed = handedOver('list');
    if (!handed) return;
    bought.write(handed.text);
    bought.panel = handed.more;
  });

  $effect(() => bought.work());

  async function keep(): Promise<void> {
    const content: Schemas['BlendContentOut'] = { use: bought.use, parts: opened!.parts };
    const blends = serverOf<typeof content>('blends');
    const made = await blends.add('A bought mix, opened', null, content);
    await blends.keep(
      made.head.id,
      'Opened from its list and panel; shares within ranges.',
      made.draft.version
    );
    await push(`/bench/${made.head.id}`);
  }

  function trySample(): void {
    bought.write(SAMPLE.list);
    bought.panel = SAMPLE.panel;
  }
</script>

<div class="two-sides" style:--first="minmax(22rem, 38%)">
  <section class="left" aria-label="The bag as printed">
    <div class="page-head"><h1>A bag, as it is printed</h1></div>
    <label class="label" for="bag-list">Ingredients, in the order of the bag</label>
    <textarea
      id="bag-list"
      class="field"
      rows="5"
      maxlength="4000"
      spellcheck="false"
      placeholder="White rice flour, tapioca starch (22 %), xanthan gum …"
      value={bought.list}
      oninput={(e) => bought.write(e.currentTarget.value)}></textarea>
    <label class="label" for="bag-panel">Nutrition, as it stands there</label>
    <textarea
      id="bag-panel"
      class="field"
      rows="8"
      maxlength="10000"
      spellcheck="false"
      placeholder="per 100 g: protein 5.8 g, fat 0.9 g, fibre 2.1 g …"
      bind:value={bought.panel}></textarea>
    {#if opened}<p class="small soft">{opened.panel_say}</p>{/if}
    {#if bought.trouble}<p class="held" role="alert">{bought.trouble}</p>{/if}
    {#if opened}
      <h2>Read as</h2>
      <ol>
        {#each opened.names as { listed, name }, at (at + listed.text)}
          <li>
            {#if listed.ingredient}
              {name}{#if listed.printed_pct}, {listed.printed_pct} % as printed{/if}{#if listed.under_2}<span
                  class="soft">, 2 % or less</span
                >{/if}{#if listed.guess}<span class="small soft">: {listed.guess}</span>{/if}
            {:else}
              <span class="open">{listed.text}</span>
              <Gap
                name={listed.text}
                wrong="Not known here"
                near={listed.near}
                otherwise="Else the shares are as if it were not in the bag."
                choose={(slug) => bought.choose(at, slug)}
              />
            {/if}
          </li>
        {/each}
      </ol>
    {:else if !bought.list.trim()}
      <p class="my-3">
        A list stands in falling order of mass, and the panel says what the whole comes to: together they say
        what each share can be. <button class="link" onclick={trySample}>Try with a sample</button>
      </p>
    {/if}
  </section>

  <section class="right" aria-label="What is in it">
    {#if opened && most}
      <h2 class="first">
        {shortName(most.name)}
        {opened.shares.length > 1
          ? `leads with ${figure(most.share.typical_pct, 0)} % (${figure(most.share.low_pct, 0)}–${figure(most.share.high_pct, 0)})`
          : 'is all there is'}
      </h2>
      <p class="for">
        As
        <select
          class="field"
          aria-label="Use"
          value={bought.use ?? ''}
          onchange={(e) => (bought.use = e.currentTarget.value || null)}
        >
          <option value="">what is it for?</option>
          {#each kitchen.reference?.uses ?? [] as use (use.slug)}<option value={use.slug}>{use.name}</option
            >{/each}
        </select>
        {#if opened.fit !== null}<span>{opened.say} <b>Fit {figure(opened.fit, 0)} of 100.</b></span>{/if}
      </p>
      <Shares {opened} />
      {#if opened.left_out.length}
        <p class="held">Left out, for it is not known here: {opened.left_out.join(', ')}.</p>
      {/if}
      <p class="small soft">
        19 times in 20 a share lies within its range, from {opened.draws} draws that the list and the panel allow.
        <a href="#/method/open-a-bag">How</a>. Gluten and allergens are the bag's to say, not this estimate's.
      </p>
      <p class="mt-3">
        <button class="action main" onclick={() => attempt(keep)}>Keep it as a blend</button>
      </p>
      <Alike {bought} />
    {:else if opened}
      <p class="my-3">None of the names is known here yet: choose what they are, on the left.</p>
    {:else}
      <p class="soft my-3">What is in it stands here, share by share.</p>
    {/if}
  </section>
</div>

<style>
  .label {
    display: block;
    margin-top: 0.6rem;
  }

  textarea {
    width: 100%;
    font-family: 'Atkinson Hyperlegible Mono', monospace;
    font-size: 0.875rem;
    line-height: 1.35;
  }

  h2 {
    margin-top: 0.75rem;
  }

  h2.first {
    margin-top: 0.25rem;
  }

  ol {
    padding-left: 1.4rem;
    list-style: decimal;
  }

  .open {
    text-decoration: underline dashed var(--held) 2px;
    text-underline-offset: 3px;
  }

  .for select {
    max-width: 15rem;
  }
</style>
