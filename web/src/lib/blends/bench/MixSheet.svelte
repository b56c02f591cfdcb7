<!-- A mix as somebody wrote it down, read line by line, to stand on the bench or to be added to what is there. -->
<script lang="ts">
  import { untrack } from 'svelte';
  import { api, ask, wordsOf, type Part, type Schemas } from '../../api/client';
  import Gap from '../../ingredients/Gap.svelte';
  import { counted, figure } from '../../ui/format';
  import Sheet from '../../ui/Sheet.svelte';
  import { Latest } from '../../ui/state/latest';
  import type { Bench } from './bench.svelte';
  import { withParts, weighed } from './moves';

  interface Props {
    bench: Bench;
    /** The text that was pasted on the bench itself. */
    begun: string;
    onclose: () => void;
  }
  const { bench, begun, onclose }: Props = $props();
  type Line = Schemas['ReadLineOut'];
  let text = $state(untrack(() => begun));
  let chosen = $state.raw<Record<string, string>>({});
  let lines = $state.raw<readonly Line[]>([]);
  let trouble = $state('');

  const asking = new Latest<Schemas['ReadMixIn'], readonly Line[]>(
    async (body) => (await ask(api.POST('/api/v1/recipes/read-mix', { body }))).data.lines,
    (found) => {
      lines = found;
      trouble = '';
    },
    (error) => (trouble = wordsOf(error)),
    100
  );
  $effect(() => {
    if (text.trim()) asking.ask({ text, chosen });
    else lines = [];
  });

  const found = $derived(lines.filter((l) => l.ingredient && l.mass_g));
  const open = $derived(lines.length - found.length);

  function partOf(l: Line): Part {
    const mass_g = l.mass_g!;
    return weighed(l.ingredient!, mass_g, {
      low_ratio: Math.min(1, (l.mass_low_g ?? mass_g) / mass_g),
      high_ratio: Math.max(1, (l.mass_high_g ?? mass_g) / mass_g)
    });
  }

  function take(onto: readonly Part[]): void {
    bench.learn(found.map((l) => [l.ingredient!, { name: l.ingredient_name, role: 'other' }]));
    bench.setParts(withParts(onto, found.map(partOf)));
    onclose();
  }
</script>

<Sheet open title="Paste a mix" {onclose} wide>
  <textarea
    class="field"
    aria-label="Mix"
    rows="6"
    maxlength="5000"
    spellcheck="false"
    placeholder="2 cups white rice flour, 2/3 cup potato starch, 1/3 cup tapioca starch
or 50 % sorghum, 30 % potato starch, 20 % tapioca"
    bind:value={text}></textarea>
  {#if trouble}<p class="held" role="alert">{trouble}</p>{/if}
  {#if lines.length}
    <table>
      <caption class="sr-only">What each piece was read as</caption>
      <thead class="small soft"
        ><tr
          ><th scope="col">as written</th><th scope="col" class="num">g</th><th scope="col" class="num"
            >range</th
          ><th scope="col">read as</th></tr
        ></thead
      >
      <tbody>
        {#each lines as l (l.number)}
          <tr>
            <th scope="row">{l.text}</th>
            <td class="num">{l.mass_g === null ? '?' : figure(l.mass_g, l.mass_g < 10 ? 1 : 0)}</td>
            <td class="num soft"
              >{#if l.mass_low_g !== null && l.mass_high_g !== null && l.mass_high_g - l.mass_low_g >= 0.05}{figure(
                  l.mass_low_g,
                  l.mass_low_g < 10 ? 1 : 0
                )}–{figure(l.mass_high_g, l.mass_low_g < 10 ? 1 : 0)}{/if}</td
            >
            <td>
              {#if l.ingredient}{l.ingredient_name}{#if l.guesses.length}<span class="small soft"
                    >: {l.guesses.join('; ')}</span
                  >{/if}
              {:else}<Gap
                  name={l.name}
                  wrong={l.wrong}
                  near={l.near}
                  otherwise="Else it is not taken."
                  choose={(slug) => (chosen = { ...chosen, [l.number]: slug })}
                />{/if}
            </td>
          </tr>
        {/each}
      </tbody>
    </table>
  {/if}
  <p class="does">
    <button class="action main" disabled={!found.length} onclick={() => take([])}
      >{bench.parts.length ? 'Put it in place of the mix' : 'Put it on the bench'}</button
    >
    {#if bench.parts.length}<button class="action" disabled={!found.length} onclick={() => take(bench.parts)}
        >Add it to the mix</button
      >{/if}
    {#if open}<span class="small soft">{counted(open, 'piece')} not understood</span>{/if}
  </p>
</Sheet>

<style>
  textarea {
    width: 100%;
    font-family: 'Atkinson Hyperlegible Mono', monospace;
    font-size: 0.875rem;
    line-height: 1.35;
  }

  table {
    width: 100%;
    margin: 0.5rem 0;
    border-collapse: collapse;
  }

  th,
  td {
    padding: 0.1rem 0.6rem 0.1rem 0;
    font-weight: 400;
    text-align: left;
    vertical-align: baseline;
  }

  .num {
    text-align: right;
    white-space: nowrap;
  }

  .does {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    align-items: center;
    margin-top: 0.75rem;
  }
</style>
