<!-- Same again, but …: what is to be tried is offered first; one line, one action, one undo. -->
<script lang="ts">
  import { attempt } from '../../ui/state/attempt';
  import type { Trial } from '../types';
  import { sameAgain } from './trying';

  const { trial }: { trial: Trial } = $props();
  let but = $state('');
  let left = $state.raw<string[]>([]);
  const taken = $derived(trial.to_try.map((t) => t.cause).filter((c) => !left.includes(c)));

  function turn(cause: string): void {
    left = left.includes(cause) ? left.filter((c) => c !== cause) : [...left, cause];
  }
</script>

<section aria-label="Same again, but">
  <form
    onsubmit={(e) => {
      e.preventDefault();
      void attempt(() => sameAgain(trial, { say: but, take: taken, plan: {} }));
    }}
  >
    {#each trial.to_try as t (t.cause)}
      <label class="try"
        ><input type="checkbox" checked={taken.includes(t.cause)} onchange={() => turn(t.cause)} />
        <span>{t.say}</span></label
      >
    {/each}
    {#if taken.length > 1}
      <p class="small two">Two changes at once: the next bake will not tell which helped.</p>
    {/if}
    <div class="line">
      <label class="but"
        ><span>Same again, but</span>
        <input
          bind:value={but}
          maxlength="200"
          placeholder={taken.length ? 'and in words, if you like' : 'what is different this time'}
        /></label
      >
      <button class="action main">Plan it</button>
    </div>
    <p class="small soft">
      {trial.readings.some((r) => r.quantity === 'verdict' && (r.value ?? 0) >= 7)
        ? 'Water, minutes, proof and oven as they were done, for this bake was good.'
        : 'Water as the kitchen has learnt it; the rest as the formula predicts.'}
    </p>
  </form>
</section>

<style>
  section {
    margin-top: 1.5rem;
    padding-top: 0.9rem;
    border-top: 2px solid var(--ink);
  }

  .try {
    display: flex;
    gap: 0.5rem;
    align-items: baseline;
    min-height: 36px;
  }

  .two {
    color: var(--close);
    font-weight: 600;
  }

  .line {
    display: flex;
    gap: 0.7rem;
    align-items: end;
    margin-top: 0.4rem;
  }

  .but {
    flex: 1;
    font-weight: 600;
  }

  .but input {
    display: block;
    width: 100%;
    min-height: 40px;
    padding: 0 0.6rem;
    border: 1px solid var(--line);
    background: var(--sheet);
    font-weight: 400;
  }
</style>
