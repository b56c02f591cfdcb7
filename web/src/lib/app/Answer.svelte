<!-- On a phone the answer of a page stays in sight: its sentence stands under the bar while it is scrolled away. -->
<script lang="ts">
  import { onMount } from 'svelte';

  const NARROW = '(max-width: 700px)';
  let text = $state('');
  let away = $state(false);

  onMount(() => {
    const main = document.querySelector('main')!;
    let watched: Element | null = null;
    const seen = new IntersectionObserver(([entry]) => (away = !entry!.isIntersecting), { root: main });

    /** Finds the sentence of the page that is shown, and watches whether it is in sight. */
    function look(): void {
      const found = matchMedia(NARROW).matches
        ? main.querySelector('h1.say, [data-says], [data-went]')
        : null;
      text = found?.textContent.trim() ?? '';
      if (found === watched) return;
      if (watched) seen.unobserve(watched);
      watched = found;
      away = false;
      if (found) seen.observe(found);
    }

    const changes = new MutationObserver(look);
    changes.observe(main, { childList: true, subtree: true, characterData: true });
    addEventListener('resize', look);
    return () => {
      changes.disconnect();
      seen.disconnect();
      removeEventListener('resize', look);
    };
  });
</script>

{#if away && text}
  <p aria-hidden="true" data-answer>{text}</p>
{/if}

<style>
  p {
    padding: 0.4rem 0.75rem;
    border-bottom: 1px solid var(--ink);
    background: var(--sheet);
    font-weight: 600;
  }

  @media (min-width: 701px) {
    p {
      display: none;
    }
  }

  @media print {
    p {
      display: none;
    }
  }
</style>
