<!-- The heads of the shelf's columns: each sorts. -->
<script lang="ts">
  import ArrowDown from '@lucide/svelte/icons/arrow-down';
  import ArrowUp from '@lucide/svelte/icons/arrow-up';
  import { kitchen } from '../../app/kitchen.svelte';
  import type { ShelfList } from './shelf.svelte';

  const { list, height }: { list: ShelfList; height: number } = $props();

  function sortBy(name: string): void {
    const { sort, descending } = list.view;
    list.show({ sort: name, descending: sort === name ? !descending : name !== 'name' });
  }

  function sorted(name: string): 'ascending' | 'descending' | 'none' {
    if (list.view.sort !== name) return 'none';
    return list.view.descending ? 'descending' : 'ascending';
  }
</script>

{#snippet arrow(name: string)}
  {#if list.view.sort === name && list.view.descending}<ArrowDown size={13} aria-hidden="true" />
  {:else if list.view.sort === name}<ArrowUp size={13} aria-hidden="true" />{/if}
{/snippet}

<thead>
  <tr style:height="{height}px">
    <th class="pick"><span class="sr-only">lay out</span></th>
    <th scope="col" class="name" aria-sort={sorted('name')}>
      <button onclick={() => sortBy('name')}>Ingredient {@render arrow('name')}</button>
    </th>
    {#each list.columns as column (column.name)}
      <th scope="col" class="num" aria-sort={sorted(column.name)}>
        <button onclick={() => sortBy(column.name)}>
          {column.label}
          {@render arrow(column.name)}
          <span class="unit">
            {column.unit.startsWith('per ') ? kitchen.settings?.currency : ''}
            {column.unit}
          </span>
        </button>
      </th>
    {/each}
  </tr>
</thead>

<style>
  th {
    position: sticky;
    z-index: 2;
    top: 0;
    border-bottom: 1px solid var(--line);
    background: var(--ground);
    font-weight: 400;
    font-size: var(--small);
    line-height: 1.15;
    vertical-align: bottom;
  }

  button {
    width: 100%;
    padding: 0.2rem 0.55rem 0.2rem 0.2rem;
    text-align: inherit;
    cursor: pointer;
  }

  button:hover {
    color: var(--flax);
  }

  th :global(svg) {
    display: inline;
    vertical-align: -1px;
  }

  [aria-sort='ascending'],
  [aria-sort='descending'] {
    font-weight: 600;
  }

  .unit {
    display: block;
    color: var(--soft);
    font-weight: 400;
  }

  .pick {
    width: 34px;
  }

  .name {
    min-width: 15rem;
    text-align: left;
  }

  .num {
    min-width: 5.2rem;
  }

  @media (max-width: 640px) {
    .name {
      min-width: 11rem;
    }
  }
</style>
