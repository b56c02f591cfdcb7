<!-- The uses of a brief for several: how the mix stands for each; one of them can be looked at alone. -->
<script lang="ts">
  import type { Judgement } from '../../api/client';
  import { figure, shortName } from '../../ui/format';
  import StatusIcon from '../../bands/StatusIcon.svelte';

  interface Props {
    judgement: Judgement;
    alone: string | null;
    onalone: (use: string | null) => void;
  }
  const { judgement, alone, onalone }: Props = $props();
  const each = $derived(judgement.fit?.each ?? []);
</script>

<ul aria-label="Uses of the brief">
  {#each each as u (u.use)}
    <li>
      <button
        class:worst={u.use === judgement.fit?.worst && u.status !== 'pass'}
        aria-pressed={alone === u.use}
        title={u.say}
        onclick={() => onalone(alone === u.use ? null : u.use)}
      >
        <StatusIcon status={u.status} />
        <span>{shortName(u.name)}{u.weight === 1 ? '' : ` ×${figure(u.weight, 0)}`}</span>
        <span class="num">{u.score === null ? '?' : figure(u.score, 0)}</span>
      </button>
    </li>
  {/each}
</ul>
<p class="soft small">
  {#if alone}Its own bands alone. <button class="link" onclick={() => onalone(null)}>All together</button>
  {:else}A stripe a use: mesh is shut, white is open to it, green is open to all. Press one to see it alone.{/if}
  {judgement.say_binder}
</p>

<style>
  ul {
    display: flex;
    flex-wrap: wrap;
    gap: 0.35rem;
    margin: 0.6rem 0 0.35rem;
  }

  button:not(.link) {
    display: flex;
    gap: 0.4rem;
    align-items: center;
    min-height: 30px;
    padding: 0 0.6rem 0 0.4rem;
    border: 1px solid var(--hairline);
    border-radius: 3px;
    background: var(--sheet);
    cursor: pointer;
  }

  button.worst {
    border-color: var(--ink);
    font-weight: 600;
  }

  button[aria-pressed='true'] {
    border-color: var(--flax);
    box-shadow: inset 0 -3px 0 var(--flax);
  }

  @media (pointer: coarse) {
    button:not(.link) {
      min-height: 44px;
    }
  }
</style>
