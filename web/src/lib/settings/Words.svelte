<!-- The kitchen's own words: what was said of names that nobody knew, each taken back here. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { attempt } from '../ui/state/attempt';
  import { notices } from '../ui/state/notices.svelte';

  let words = $state.raw<Schemas['WordsOut']['items'] | null>(null);
  let trouble = $state('');

  async function load(): Promise<void> {
    try {
      words = (await ask(api.GET('/api/v1/kitchen/words'))).data.items;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  async function forget(id: number, phrase: string): Promise<void> {
    await ask(api.DELETE('/api/v1/kitchen/words/{word_id}', { params: { path: { word_id: id } } }));
    notices.say(`“${phrase}” is asked again.`);
    await load();
  }

  onMount(load);
</script>

<section aria-labelledby="own-words">
  <h2 id="own-words">Its own words</h2>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  {#if words?.length}
    <p class="soft">What a name in a recipe, a mix or a bag's list was said to be is not asked again.</p>
    <ul>
      {#each words as { word, name } (word.id)}
        <li>
          <span>“{word.phrase}”</span><span>{name}</span><button
            class="link"
            aria-label="Take back “{word.phrase}”"
            onclick={() => attempt(() => forget(word.id, word.phrase))}>Take it back</button
          >
        </li>
      {/each}
    </ul>
  {:else if words}
    <p class="soft">None yet. Say what an open line of a recipe is, and it is remembered here.</p>
  {/if}
</section>

<style>
  section {
    margin-top: 1.5rem;
  }

  li {
    display: grid;
    grid-template-columns: minmax(0, 14rem) minmax(0, 1fr) max-content;
    gap: 1rem;
    max-width: 40rem;
    padding: 0.2rem 0;
    border-bottom: 1px solid var(--hairline);
  }
</style>
