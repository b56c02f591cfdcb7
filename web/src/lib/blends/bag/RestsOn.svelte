<!-- On what kinds of numbers the judgement rests, by weight in the fit: the surest first. -->
<script lang="ts">
  import type { Judgement } from '../../api/client';
  import { restsBy, restsOn } from './bag';

  const { judgement }: { judgement: Judgement } = $props();
  const kinds = $derived(restsBy(judgement));
</script>

<span class="bar" aria-hidden="true">
  {#each kinds as [kind, pct] (kind)}<i class={kind} style:width="{pct}%"></i>{/each}
</span>
<span class="small">{restsOn(judgement)}</span>

<style>
  .bar {
    display: flex;
    max-width: 30rem;
    height: 12px;
    margin: 0.2rem 0;
    border: 1px solid var(--tube);
  }

  i + i {
    border-left: 1px solid var(--tube);
  }

  .measured {
    background: var(--flax);
  }

  .label {
    background: repeating-linear-gradient(135deg, var(--flax) 0 2px, var(--flax-wash) 2px 5px);
  }

  .table {
    background: var(--mesh);
  }

  .by-difference {
    background: repeating-linear-gradient(90deg, var(--mesh) 0 2px, var(--sheet) 2px 5px);
  }

  .estimate {
    background: var(--sheet);
  }

  .taste {
    background: radial-gradient(var(--tube) 1px, transparent 1.5px) 0 0 / 5px 5px;
  }
</style>
