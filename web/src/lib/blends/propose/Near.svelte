<!-- Nearly the same: a bin fewer, what is in stock, the dear one halved; each can be looked at and taken. -->
<script lang="ts">
  import { api, ask, wordsOf } from '../../api/client';
  import { figure, shortName } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { layersOf, type Proposal } from './lines';
  import type { Proposing } from './propose.svelte';

  interface Props {
    search: Proposing;
    proposal: Proposal;
    ontake: (proposal: Proposal) => void;
  }
  const { search, proposal, ontake }: Props = $props();
  let found = $state.raw<
    readonly { kind: string; say: string; moved_pct: number; proposal: Proposal | null }[] | null
  >(null);
  let wrong = $state('');
  let asked = 0;

  async function load(): Promise<void> {
    const mine = ++asked;
    found = null;
    wrong = '';
    try {
      const shares = Object.fromEntries(
        proposal.parts.filter((p) => p.in_flour_base).map((p) => [p.ingredient, p.share_pct])
      );
      const body = { ...search.asked, aim: proposal.aim, shares };
      const { variants } = (await ask(api.POST('/api/v1/near-variants', { body }))).data;
      const aimed = variants.map((v) => ({
        ...v,
        proposal: v.proposal && { ...v.proposal, aim: proposal.aim }
      }));
      if (mine === asked) found = aimed;
    } catch (error) {
      if (mine === asked) wrong = wordsOf(error);
    }
  }

  $effect(() => {
    void proposal;
    void load();
  });

  function price(p: Proposal): string {
    if (p.cost_per_kg === null || proposal.cost_per_kg === null) return '';
    const by = p.cost_per_kg - proposal.cost_per_kg;
    if (Math.abs(by) < 0.005) return '';
    return `${figure(Math.abs(by), 2)} ${kitchen.settings?.currency ?? ''} per kg ${by < 0 ? 'less' : 'more'}`;
  }

  const mixOf = (p: Proposal): string =>
    p.parts
      .filter((x) => x.in_flour_base)
      .sort((a, b) => b.share_pct - a.share_pct)
      .map((x) => `${figure(x.share_pct, 0)} ${shortName(x.name).toLowerCase()}`)
      .join(', ');

  function look(one: Proposal | null, kind: string): void {
    const back = proposal as Proposal | null; // none any more once one is taken and the focus leaves its row
    const shown = one ?? back;
    if (shown) search.bench.showMix(one ? kind : shown.label, layersOf(shown.parts));
  }
</script>

{#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
{#if found}
  <table>
    <caption class="soft">Nearly the same</caption>
    <tbody>
      {#each found as one (one.kind)}
        <tr>
          <th scope="row">{one.kind}</th>
          {#if one.proposal}
            {@const p = one.proposal}
            <td>
              <b>{mixOf(p)}</b>{one.say ? `, ${one.say}` : ''}
              <span class="soft"
                >{[`fit ${figure(p.score, 0)}`, price(p), `${figure(one.moved_pct, 0)} % moved`]
                  .filter(Boolean)
                  .join(' · ')}</span
              >
            </td>
            <td>
              <button
                class="link"
                onpointerenter={() => look(p, one.kind)}
                onpointerleave={() => look(null, '')}
                onfocus={() => look(p, one.kind)}
                onblur={() => look(null, '')}
                onclick={() => ontake({ ...p, label: `${proposal.label}, ${one.kind}` })}>take</button
              >
            </td>
          {:else}<td class="soft" colspan="2">{one.say}</td>{/if}
        </tr>
      {/each}
    </tbody>
  </table>
{/if}

<style>
  table {
    width: 100%;
    margin-top: 0.4rem;
    border-collapse: collapse;
  }

  caption {
    text-align: left;
  }

  th,
  td {
    padding: 0.2rem 0.6rem 0.2rem 0;
    border-top: 1px solid var(--hairline);
    text-align: left;
    vertical-align: top;
  }

  th {
    width: 9rem;
    font-weight: 600;
  }

  td:last-child {
    padding-right: 0;
  }
</style>
