<!-- What was found out about the bags, and what can be. -->
<script lang="ts">
  import { wordsOf, type Schemas } from '../../api/client';
  import { day } from '../../ui/format';
  import type { OneIngredient } from '../one/ingredient.svelte';
  import { notices } from '../../ui/state/notices.svelte';

  const { one }: { one: OneIngredient } = $props();
  const ways = [
    { href: 'label', title: 'Read its label', about: 'what the bag prints, per 100 g' },
    { href: 'test/cup', title: 'Weigh a cup', about: 'three cups, five minutes' },
    { href: 'test/water', title: 'See how much water it takes', about: 'three soaks in a cloth' },
    { href: 'test/sieve', title: 'Sieve it', about: 'how coarse it is ground' },
    { href: 'test/card', title: 'See how light it is', about: 'one photo beside white paper' }
  ];
  const names: Record<string, string> = {
    cup: 'Cup weight',
    water: 'Water taken up',
    sieve: 'Sieve grading',
    card: 'Lightness',
    label: 'Label'
  };

  async function withdraw(finding: Schemas['FindingOut']): Promise<void> {
    try {
      await one.withdraw(finding);
    } catch (error) {
      notices.say(wordsOf(error), true);
    }
  }
</script>

<h2>Find out about your bag</h2>
<ul class="ways">
  {#each ways as way (way.href)}
    <li>
      <a href="#/ingredients/{one.slug}/{way.href}"><b>{way.title}</b></a>
      <span class="soft small">{way.about}</span>
    </li>
  {/each}
</ul>
{#if one.findings.length}
  <h3>On record</h3>
  <ul class="record">
    {#each one.findings as finding (finding.what + finding.id)}
      <li class:out={finding.withdrawn}>
        <span
          ><b>{names[finding.what]}</b>{finding.lot_code ? ` of ${finding.lot_code}` : ''}, {day(
            finding.on
          )}</span
        >
        <span class="small">{finding.say}{finding.note ? `. ${finding.note}` : ''}</span>
        <button class="link small" onclick={() => withdraw(finding)}
          >{finding.withdrawn ? 'use it again' : 'take out of use'}<span class="sr-only">
            {names[finding.what]} of {day(finding.on)}</span
          ></button
        >
      </li>
    {/each}
  </ul>
{/if}

<style>
  h2 {
    margin-top: 0.9rem;
  }

  h3 {
    margin-top: 0.75rem;
    color: var(--soft);
    font-size: var(--small);
  }

  .ways li {
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 0.5rem;
    min-height: 34px;
    border-bottom: 1px solid var(--hairline);
  }

  .record li {
    padding: 0.3rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  .record span {
    display: block;
  }

  .record .sr-only {
    display: inline;
  }

  .out > span {
    color: var(--soft);
    text-decoration: line-through;
  }
</style>
