<!-- One blend in a list: its small column, name, how it stands, what it costs. -->
<script lang="ts">
  import type { BlendSummary } from '../api/client';
  import MiniColumn from './column/MiniColumn.svelte';
  import { figure, money } from '../ui/format';
  import { kitchen } from '../app/kitchen.svelte';
  import StatusIcon from '../bands/StatusIcon.svelte';
  import { STANDS } from '../bands/words';

  interface Props {
    blend: Pick<BlendSummary, 'head' | 'standing'>;
    showUse?: boolean;
  }
  const { blend, showUse = false }: Props = $props();
  const s = $derived(blend.standing);
  const state = $derived(STANDS[s.state]!);
  const price = $derived(
    s.cost_per_kg === null ? '' : `${money(s.cost_per_kg, kitchen.settings?.currency ?? '')} per kg`
  );
  const kept = $derived(
    s.revisions === 0 ? 'not kept yet' : `${s.revisions} kept${s.kept ? '' : ', draft changed since'}`
  );
</script>

<a class="blend" href="#/bench/{blend.head.id}">
  <MiniColumn layers={s.layers} height={56} width={24} />
  <span class="about">
    <span class="name">{blend.head.name}</span>
    {#if showUse}<span class="soft small">{kitchen.useName(s.use).toLowerCase()}</span>{/if}
    <span class="state">
      <StatusIcon status={state.status} /><b class={state.status === 'pass' ? 'passes' : state.status}
        >{state.word}</b
      >
      {#if s.score !== null}<span class="soft small">fit {figure(s.score, 0)}</span>{/if}
    </span>
    <span class="small soft say">{s.say}</span>
    <span class="small soft">{[price, kept].filter(Boolean).join(' · ')}</span>
  </span>
</a>

<style>
  .blend {
    display: flex;
    gap: 0.75rem;
    padding: 0.5rem;
    border: 1px solid transparent;
    color: var(--ink);
    text-decoration: none;
  }

  .blend:hover {
    border-color: var(--flax);
    background: var(--sheet);
  }

  .about {
    display: flex;
    flex-direction: column;
    min-width: 0;
    line-height: 1.3;
  }

  .name {
    font-weight: 600;
  }

  .state {
    display: flex;
    align-items: center;
    gap: 0.3rem;
  }

  .say {
    display: -webkit-box;
    overflow: hidden;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 2;
    line-clamp: 2;
  }
</style>
