<!-- The lines of a label as they stand: what is held first, each with its mark, its word and its evidence. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  const { lines }: { lines: readonly Schemas['LabelLine'][] } = $props();
  const MARKS: Record<string, [string, string, string]> = {
    held: ['■', 'held', 'held'],
    close: ['◆', 'close', 'close'],
    pass: ['●', 'passes', 'passes']
  };
  const mark = (status: string): [string, string, string] => MARKS[status] ?? ['○', 'unknown', 'unknown'];
</script>

<ul>
  {#each lines as l (l.key)}
    {@const [sign, word, tone] = mark(l.status)}
    <li class:top={l.status === 'held'}>
      <span class={tone} aria-hidden="true">{sign}</span>
      <b>{l.title}</b>
      <span class={tone}>{word}</span>
      <span class="small">
        {#each l.evidence.filter(Boolean) as why (why)}<span class="why">{why}</span>{/each}
      </span>
    </li>
  {/each}
</ul>
<p class="small soft no-print">
  <a href="#/method/label">By which rule each line stands</a>: a draft, check locally.
</p>

<style>
  ul {
    margin: 0 0 0.6rem;
  }

  li {
    display: grid;
    grid-template-columns: 1.1rem 9.5rem 4rem 1fr;
    gap: 0.5rem;
    padding: 0.22rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .top {
    background: var(--held-wash);
  }

  .why {
    display: block;
  }

  @media (max-width: 560px) {
    li {
      grid-template-columns: 1.1rem 1fr auto;
    }

    li > .small {
      grid-column: 2 / -1;
    }
  }
</style>
