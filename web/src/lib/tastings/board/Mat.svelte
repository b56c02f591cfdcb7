<!-- A place mat: the seat, its slices in its order with codes; a blocked one is red with the word of what blocks it. -->
<script lang="ts">
  import SliceMark from '../SliceMark.svelte';
  import { spaced, type Mat } from '../types';

  interface Props {
    mat: Mat;
    chosen: boolean;
    textures: ReadonlyMap<number, number>;
    marks: ReadonlyMap<number, number | null>;
    onchoose: () => void;
  }
  const { mat, chosen, textures, marks, onchoose }: Props = $props();
  const block = $derived(mat.blocks.find((b) => !b.done) ?? null);
  const size = $derived(mat.slices.length > 4 ? 28 : 38);
  const word = $derived(block ? (block.what === 'coeliac' ? 'gluten' : spaced(block.what)) : '');
  const state = $derived(
    mat.dropped
      ? `taken out: ${mat.dropped}`
      : block
        ? block.say
        : marks.size
          ? ''
          : mat.stands === 'handed in'
            ? 'handed in'
            : mat.stands === 'tasting'
              ? 'tasting'
              : mat.asked
                ? ''
                : 'is asked first what it avoids'
  );
</script>

<button
  class="mat"
  class:blocked={!!block}
  class:dropped={!!mat.dropped}
  aria-pressed={chosen}
  data-seat={mat.number}
  onclick={onchoose}
>
  <span class="top"><b>seat {mat.number}</b> <span>{block ? word : mat.name}</span></span>
  <span class="slices">
    {#each mat.slices as slice (slice.code)}
      <span class="slice">
        <SliceMark state={slice.state} texture={textures.get(slice.code) ?? null} {size} />
        <span class="num code" class:out={slice.state === 'left out'}>{slice.code}</span><span class="sr-only"
          >{slice.state}</span
        >
        {#if marks.size}<b class="num">{marks.get(slice.code) ?? '–'}</b>{/if}
      </span>
    {/each}
  </span>
  <span class="state small"
    >{#if block}<span class="sr-only">{block.say.split(' · ')[0]},</span>{block.say.split(
        ' · '
      )[1]}{:else}{state}{/if}</span
  >
</button>

<style>
  .mat {
    display: flex;
    flex-direction: column;
    align-items: stretch;
    gap: 0.4rem;
    min-height: 8.6rem;
    padding: 0.6rem 0.65rem;
    border: 1px solid var(--hairline);
    background: var(--sheet);
    color: var(--ink);
    text-align: left;
    box-shadow:
      -5px 0 0 -1px var(--ground),
      5px 0 0 -1px var(--ground);
    cursor: pointer;
  }

  /* The fringe of a woven mat. */
  .mat::before,
  .mat::after {
    content: '';
    position: absolute;
    top: 5px;
    bottom: 5px;
    width: 5px;
    background: repeating-linear-gradient(var(--line) 0 1px, transparent 1px 8px);
  }

  .mat {
    position: relative;
  }

  .mat::before {
    left: -7px;
  }

  .mat::after {
    right: -7px;
  }

  .mat[aria-pressed='true'] {
    outline: 3px solid var(--flax);
    outline-offset: -2px;
  }

  .top {
    display: flex;
    justify-content: space-between;
    gap: 0.5rem;
    overflow: hidden;
    white-space: nowrap;
  }

  .top span {
    overflow: hidden;
    text-overflow: ellipsis;
    color: var(--soft);
  }

  .blocked {
    border: 2px solid var(--held);
    background: var(--held-wash);
  }

  .blocked .top {
    margin: -0.6rem -0.65rem 0;
    padding: 0.45rem 0.65rem;
    background: #a32a1f;
    color: #fff;
  }

  .blocked .top span {
    color: #fff;
    font-size: 1.15rem;
    font-weight: 600;
  }

  .blocked .state {
    color: var(--held);
  }

  .dropped {
    opacity: 0.65;
  }

  .slices {
    display: flex;
    flex-wrap: wrap;
    justify-content: space-around;
    gap: 0.2rem;
  }

  .slice {
    display: grid;
    justify-items: center;
    gap: 0.1rem;
  }

  .code {
    font-size: 0.875rem;
    letter-spacing: 0.03em;
  }

  .code.out {
    text-decoration: line-through;
    color: var(--soft);
  }

  .slice b {
    font-size: 1.1rem;
  }

  .state {
    margin-top: auto;
    color: var(--soft);
  }
</style>
