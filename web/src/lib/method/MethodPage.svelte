<!-- The method, as in docs/method.md: every formula, its source and its limits. -->
<script lang="ts">
  import { marked } from 'marked';
  import { tick } from 'svelte';
  import text from '../../../../docs/method.md?raw';

  const { params }: { params?: { section?: string } } = $props();
  // Our own document, built in with the pages: no text of a user comes here.
  const html = (marked.parse(text, { async: false }) as string).replace(
    /<h2>(.*?) \{#([a-z-]+)\}<\/h2>/g,
    '<h2 id="method-$2" tabindex="-1">$1</h2>'
  );

  $effect(() => {
    const section = params?.section;
    if (section) {
      void tick().then(() => {
        const head = document.getElementById(`method-${section}`);
        head?.scrollIntoView();
        head?.focus({ preventScroll: true });
      });
    }
  });
</script>

<article class="page">
  <!-- eslint-disable-next-line svelte/no-at-html-tags -- our own document -->
  {@html html}
</article>

<style>
  article {
    max-width: 48rem;
    line-height: 1.55;
  }

  article :global(h2) {
    margin: 1.75rem 0 0.4rem;
    scroll-margin-top: 1rem;
  }

  article :global(h3) {
    margin: 1rem 0 0.3rem;
  }

  article :global(p),
  article :global(ul) {
    margin: 0.5rem 0;
  }

  article :global(li) {
    margin-left: 1.25rem;
    list-style: disc;
  }

  article :global(code) {
    font-family: 'Atkinson Hyperlegible Mono', monospace;
    font-size: 0.875rem;
    overflow-wrap: anywhere;
    white-space: normal; /* a function with its folder and file is longer than a phone is wide */
  }

  article :global(table) {
    display: block;
    overflow-x: auto;
    border-collapse: collapse;
  }

  article :global(th),
  article :global(td) {
    padding: 0.2rem 0.9rem 0.2rem 0;
    border-bottom: 1px solid var(--hairline);
    text-align: left;
    vertical-align: top;
  }
</style>
