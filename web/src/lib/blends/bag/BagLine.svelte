<!-- The line that would go on the bag, at the foot of the bench. -->
<script lang="ts">
  import type { Judgement } from '../../api/client';
  import { kitchen } from '../../app/kitchen.svelte';
  import { bagItems, restsOn } from './bag';

  interface Props {
    judgement: Judgement | null;
    onopen: () => void;
  }
  const { judgement, onopen }: Props = $props();
  const items = $derived(judgement && kitchen.settings ? bagItems(judgement, kitchen.settings) : []);
  const caution = $derived(judgement?.cautions[0]);
</script>

<footer aria-label="The bag line">
  {#if judgement}
    <dl>
      {#each items as item (item.label)}
        <div class:wrap={item.label === 'contains'}>
          <dt class="small soft">{item.label}</dt>
          <dd title={item.say}>
            <b>{item.say}</b>{#if item.also}<span class="small soft">&ensp;{item.also}</span>{/if}
          </dd>
        </div>
      {/each}
    </dl>
    <p class="small caution">
      <span class="text">{caution?.say ?? ''}</span>
      <button class="link" onclick={onopen}>
        {judgement.cautions.length} cautions and the whole bag
      </button>
      <span class="rests soft">Numbers rest on {restsOn(judgement)}</span>
    </p>
  {:else}
    <p class="soft">What would go on the bag stands here once there is something in the mix.</p>
  {/if}
</footer>

<style>
  footer {
    min-height: var(--bag);
    padding: 0.45rem 1.25rem;
    border-top: 1px solid var(--hairline);
    background: var(--ground);
  }

  dl {
    display: flex;
    gap: 1.9rem;
  }

  dl div {
    min-width: 0;
    line-height: 1.3;
    white-space: nowrap;
  }

  dl .wrap {
    flex: 0 1 auto;
    overflow: hidden;
  }

  dd {
    overflow: hidden;
    text-overflow: ellipsis;
  }

  b {
    font-size: 1rem;
  }

  .caution {
    display: flex;
    gap: 0.9rem;
    margin-top: 0.3rem;
  }

  .text {
    flex: 0 1 auto;
    min-width: 4rem;
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
  }

  .rests {
    margin-left: auto;
    white-space: nowrap;
  }

  .link {
    flex: none;
  }

  @media (max-width: 1100px) {
    dl {
      flex-wrap: wrap;
      gap: 0.25rem 1.4rem;
    }

    .rests {
      display: none;
    }
  }

  @media (max-width: 600px) {
    .caution {
      flex-wrap: wrap;
    }

    .text {
      white-space: normal;
    }

    dl .wrap,
    dl div {
      white-space: normal;
    }
  }
</style>
