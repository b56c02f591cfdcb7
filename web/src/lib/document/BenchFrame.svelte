<!-- A bench: what is in a document on the left, how it stands in one sentence and its tabs on the right, a line at the foot. -->
<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    /** What the two sides are called, for those who do not see them. */
    labels: { left: string; right: string };
    /** What is said of it, and what was wrong when it was asked. */
    said: { say: string; say_more: string } | null | undefined;
    trouble: string;
    left: Snippet;
    right: Snippet;
    foot: Snippet;
  }
  const { labels, said, trouble, left, right, foot }: Props = $props();
</script>

<div class="bench">
  <section class="left" aria-label={labels.left}>{@render left()}</section>
  <section class="right" aria-label={labels.right}>
    <h1 class="say" aria-live="polite">{said?.say ?? 'Nothing to judge yet.'}</h1>
    <p class="soft more">
      {#if trouble}<span class="held" role="alert">{trouble}</span>{:else}{said?.say_more ?? ''}{/if}
    </p>
    {@render right()}
  </section>
  <div class="foot">{@render foot()}</div>
</div>

<style>
  .bench {
    display: grid;
    grid-template-columns: minmax(29rem, var(--left, 42%)) 1fr;
    grid-template-rows: minmax(0, 1fr) auto;
    height: 100%;
  }

  .left {
    display: flex;
    flex-direction: column;
    min-height: 0;
    overflow-y: auto;
    padding: 0.75rem 0.75rem 0.6rem 1.25rem;
    border-right: 1px solid var(--hairline);
  }

  .right {
    min-width: 0;
    min-height: 0;
    overflow-y: auto;
    padding: 0.75rem 1.25rem 1rem 1.5rem;
    background: var(--sheet);
  }

  .foot {
    grid-column: 1 / -1;
  }

  .say {
    font-size: var(--title);
  }

  .more {
    min-height: 1.4em;
  }

  @media (max-width: 860px) {
    .bench {
      display: block;
      height: auto;
    }

    .left {
      overflow: visible;
      border-right: 0;
      padding: 0.6rem 0.75rem;
    }
  }
</style>
