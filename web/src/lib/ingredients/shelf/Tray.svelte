<!-- What is laid out to be put side by side. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { MOST, tray } from './tray.svelte';
</script>

{#if tray.all.length}
  <div class="tray">
    <span class="soft">Laid out:</span>
    {#each tray.all as [slug, name] (slug)}
      <span class="one">
        {name}
        <button aria-label="Put back {name}" onclick={() => tray.toggle(slug, name)}>
          <X size={14} aria-hidden="true" />
        </button>
      </span>
    {/each}
    <span class="grow soft small">
      {tray.all.length === 1 ? 'one more at least' : tray.all.length === MOST ? 'six are the most' : ''}
    </span>
    <button class="link small" onclick={() => tray.empty()}>Put all back</button>
    {#if tray.all.length > 1}
      <a class="action main" href="#/side-by-side/{tray.all.map(([s]) => s).join(',')}">Put side by side</a>
    {/if}
  </div>
{/if}

<style>
  .tray {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem 0.75rem;
    margin: 0 -1.25rem;
    padding: 0.5rem 1.25rem;
    border-top: 1px solid var(--line);
    background: var(--flax-wash);
  }

  .one {
    display: inline-flex;
    align-items: center;
    gap: 0.25rem;
    padding: 0.1rem 0.4rem;
    border: 1px solid var(--line);
    background: var(--sheet);
  }

  .one button {
    display: grid;
    place-items: center;
    width: 24px;
    height: 24px;
    cursor: pointer;
  }

  .grow {
    flex: 1;
  }
</style>
