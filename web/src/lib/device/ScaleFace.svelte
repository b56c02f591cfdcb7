<!-- What the scale shows, with tare; a simulated one can be loaded here. -->
<script lang="ts">
  import { figure, readNumber } from '../ui/format';
  import { scale } from './scale.svelte';

  const { onread, word = 'Take it' }: { onread?: (mass_g: number) => void; word?: string } = $props();
  let pan = $state('');
  const shown = $derived(scale.shown);
  const places = $derived(shown ? Math.max(0, -Math.floor(Math.log10(shown.readability_g) + 1e-9)) : 0);

  $effect(() => scale.watch());

  function put(event?: Event): void {
    event?.preventDefault();
    const mass_g = pan.trim() === '0' ? 0 : readNumber(pan);
    if (mass_g !== null) void scale.load(mass_g);
  }
</script>

<div class="face">
  {#if scale.trouble}
    <span class="held" role="alert">{scale.trouble}</span>
  {:else if shown}
    <output class="num" aria-label="The scale shows">{figure(shown.mass_g, places)} g</output>
    <span class="small soft still">{shown.stable ? 'stands still' : 'settling'}</span>
    <button type="button" class="action" onclick={() => scale.tare()}>Tare</button>
    {#if onread}
      <button type="button" class="action main" disabled={!shown.stable} onclick={() => onread(shown.mass_g)}
        >{word}</button
      >
    {/if}
    {#if shown.simulated}
      <form class="small" onsubmit={put}>
        <label for="pan">Simulated: on the pan</label>
        <input id="pan" class="field num" inputmode="decimal" autocomplete="off" bind:value={pan} />
        g
        <button class="action">Put on</button>
      </form>
    {/if}
  {/if}
</div>

<style>
  .face {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem 0.75rem;
  }

  output {
    min-width: 7.5rem;
    padding: 0.1rem 0.6rem;
    border: 2px solid var(--ink);
    background: var(--sheet);
    font-size: var(--title);
  }

  .still {
    min-width: 5.5rem;
  }

  form {
    display: flex;
    align-items: center;
    gap: 0.4rem;
    padding-left: 0.75rem;
    border-left: 1px solid var(--line);
    color: var(--soft);
  }

  form .field {
    width: 5rem;
  }
</style>
