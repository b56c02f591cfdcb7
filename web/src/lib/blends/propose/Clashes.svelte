<!-- Wishes that cannot hold together, with the least that each would have to give. -->
<script lang="ts">
  import { kitchen } from '../../app/kitchen.svelte';
  import type { Proposing } from './propose.svelte';
  import { relaxWords } from './wishes';

  const { search }: { search: Proposing } = $props();
  const words = { metric: (name: string) => kitchen.metric(name) };
</script>

<section aria-label="What clashes">
  <h2 class="held">Nothing can meet all of these wishes.</h2>
  {#each search.clashes as clash, n (n)}
    <div class="clash">
      <p>These {clash.limits.length > 1 ? 'cannot hold together' : 'cannot be met'}:</p>
      <ul>
        {#each clash.limits as limit (limit.limit + limit.side)}<li>{limit.say}</li>{:else}<li>
            {clash.say}
          </li>{/each}
      </ul>
      {#if clash.gives.length}
        <p class="does">
          <span class="soft">Any one of these would do:</span>
          {#each clash.gives as give (give.limit + give.side)}
            <button class="action" onclick={() => search.relax(give)}
              >{relaxWords(
                give,
                clash.limits.find((l) => l.limit === give.limit)?.say ?? give.limit,
                words
              )}</button
            >
          {/each}
        </p>
      {:else}
        <p class="soft">No single one of them can give enough by itself. Drop one above, and search again.</p>
      {/if}
    </div>
  {/each}
</section>

<style>
  h2 {
    margin: 0.6rem 0 0.2rem;
  }

  .clash {
    padding: 0.4rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  li {
    padding-left: 0.9rem;
    font-weight: 600;
  }

  .does {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    align-items: center;
    margin-top: 0.3rem;
  }
</style>
