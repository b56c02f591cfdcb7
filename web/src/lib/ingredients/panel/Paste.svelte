<!-- The text of a panel, pasted: what was understood of it, line by line. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { handedOver } from '../../begin/handed';
  import type { Label } from './label.svelte';

  const { label }: { label: Label } = $props();
  let text = $state('');
  onMount(() => {
    text = handedOver('panel')?.text ?? '';
    if (text) void label.paste(text);
  });
  const marks: Record<string, string> = { taken: '○', partly: '◆', not: '■', empty: '' };
  const words: Record<string, string> = { taken: 'taken', partly: 'look', not: 'not taken' };
  const missed = $derived(label.lines.filter((l) => l.status === 'not').length);
</script>

<section>
  <h2><label for="panel-text">Or paste its text</label></h2>
  <textarea
    id="panel-text"
    class="field"
    rows="5"
    maxlength="10000"
    placeholder="Energy 1480 kJ / 350 kcal&#10;Fat 1,2 g …"
    bind:value={text}></textarea>
  <button class="action" disabled={!text.trim()} onclick={() => label.paste(text)}
    >Fill in what is understood</button
  >
  {#if label.lines.length}
    <p class="small" role="status">
      {missed
        ? `${missed} ${missed === 1 ? 'line was' : 'lines were'} not understood.`
        : 'Every line was understood.'}
    </p>
    <ul class="small">
      {#each label.lines.filter((l) => l.status !== 'empty') as line, n (n)}
        <li class={line.status}>
          <span class="state"><span aria-hidden="true">{marks[line.status]}</span> {words[line.status]}</span>
          <span>{line.text}<span class="soft why">{line.say}</span></span>
        </li>
      {/each}
    </ul>
  {/if}
</section>

<style>
  textarea {
    width: 100%;
    margin: 0.35rem 0;
    padding: 0.4rem 0.5rem;
    font-size: var(--small);
  }

  p {
    margin-top: 0.5rem;
  }

  li {
    display: grid;
    grid-template-columns: 5rem minmax(0, 1fr);
    padding: 0.2rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .why {
    display: block;
  }

  .taken .state {
    color: var(--passes);
  }

  .partly .state {
    color: var(--close);
  }

  .not .state {
    color: var(--held);
  }
</style>
