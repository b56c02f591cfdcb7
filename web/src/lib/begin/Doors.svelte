<!-- Three doors into the work, each a place to type or paste at once; and a look into a kitchen that is at work. -->
<script lang="ts">
  import Baking from './Baking.svelte';
  import Binned from './Binned.svelte';
  import InHand from './InHand.svelte';
  import { look } from './look';
</script>

<div class="doors">
  <section><Baking /></section>
  <section><Binned /></section>
  <section><InHand /></section>
</div>
<p class="small soft">
  Nothing is kept before you press; <a href="#/method/beginning">how words are read</a>. Or
  <button class="link" onclick={() => look(true)}>look into a kitchen that is at work</button>, all of it
  invented, and come back.
</p>

<style>
  .doors {
    display: grid;
    grid-template-columns: 1fr 1.25fr 1fr;
    margin: 1.25rem 0 1.5rem;
    border-bottom: 1px solid var(--hairline);
  }

  section {
    min-width: 0;
    padding: 0.25rem 1.5rem 1.5rem;
    border-left: 1px solid var(--hairline);
  }

  section:first-child {
    padding-left: 0;
    border-left: 0;
  }

  section :global(form) {
    display: grid;
    gap: 0.6rem;
    justify-items: start;
  }

  section :global(textarea) {
    width: 100%;
    min-height: 6.5rem;
    padding: 0.5rem 0.6rem;
  }

  section :global(.action.main) {
    min-height: 44px;
  }

  @media (max-width: 960px) {
    .doors {
      grid-template-columns: minmax(0, 1fr);
    }

    section {
      padding: 1rem 0;
      border-left: 0;
      border-top: 1px solid var(--hairline);
    }

    section:first-child {
      border-top: 0;
    }
  }
</style>
