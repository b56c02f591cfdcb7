<!-- The wishes as a sentence: each can be typed over in place or dropped, and more can be added. -->
<script lang="ts">
  import X from '@lucide/svelte/icons/x';
  import { readNumber } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import Choice from '../../ui/Choice.svelte';
  import type { Aim } from './sweep.svelte';
  import type { Proposing } from './propose.svelte';

  const { search }: { search: Proposing } = $props();
  const AIMS: { name: Aim; label: string }[] = [
    { name: 'nearest', label: 'nearest the use' },
    { name: 'cheapest', label: 'cheapest' },
    { name: 'most-fibre', label: 'most fibre' },
    { name: 'most-protein', label: 'most protein' },
    { name: 'fewest-bins', label: 'fewest bins' },
    { name: 'mildest', label: 'mildest' },
    { name: 'lightest', label: 'lightest crumb' },
    { name: 'from-stock', label: 'from stock' },
    { name: 'whole-grain', label: 'whole grain' },
    { name: 'low-carbohydrate', label: 'least carbohydrate' }
  ];
  const FROM = [
    { name: 'bins', label: 'the kitchen’s own bins' },
    { name: 'library', label: 'the whole library' }
  ];

  function typed(key: string, event: Event): void {
    const input = event.currentTarget as HTMLInputElement;
    const value = readNumber(input.value);
    if (value === null) input.value = String(search.lines.find((l) => l.key === key)?.value ?? '');
    else search.set(key, value);
  }
</script>

<div class="wishes" aria-label="Wishes" role="group">
  <p>
    A mix for <b
      >{(search.wishes?.uses?.length ?? 0) > 1
        ? `${search.wishes!.uses!.length} uses at once`
        : kitchen.useName(search.wishes?.use).toLowerCase()}</b
    >, from
    <Choice
      label="Flours to choose from"
      options={FROM}
      chosen={[search.library ? 'library' : 'bins']}
      none=""
      single
      after=","
      onchange={([which]) => {
        search.library = which === 'library';
        search.fresh = false;
      }}
    /> sought as
    <Choice
      label="Aims"
      options={AIMS}
      chosen={search.wishes?.aims ?? ['nearest']}
      none="nearest the use"
      joined="and"
      things="aims"
      after={search.lines.length ? ':' : '.'}
      onchange={(aims) => search.aim(aims as Aim[])}
    />
  </p>
  <ul>
    {#each search.lines as line (line.key)}
      <li>
        <span>{line.before}</span>
        {#if line.value !== null}
          <input
            class="field num"
            inputmode="decimal"
            aria-label="{line.before} {line.after}"
            value={line.value}
            onchange={(e) => typed(line.key, e)}
          />
          <span>{line.after}</span>
        {/if}
        <button
          class="drop"
          aria-label="Drop: {line.before} {line.value ?? ''} {line.after}"
          onclick={() => search.drop(line.key)}
        >
          <X size={14} aria-hidden="true" />
        </button>
      </li>
    {/each}
  </ul>
</div>

<style>
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0.25rem 0.6rem;
    margin-top: 0.3rem;
  }

  li {
    display: inline-flex;
    gap: 0.3rem;
    align-items: center;
    min-height: 30px;
    padding-left: 0.5rem;
    border: 1px solid var(--hairline);
    background: var(--ground);
  }

  input {
    width: 4.2rem;
    min-height: 26px;
    padding: 0 0.3rem;
  }

  .drop {
    display: grid;
    place-items: center;
    width: 28px;
    min-height: 28px;
    color: var(--soft);
    cursor: pointer;
  }

  .drop:hover {
    color: var(--held);
  }

  @media (pointer: coarse) {
    li,
    .drop,
    input {
      min-height: 44px;
    }

    .drop {
      width: 44px;
    }
  }
</style>
