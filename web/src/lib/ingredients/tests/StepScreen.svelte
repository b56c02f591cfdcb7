<!-- One screen of a bench test: what to do, and one thing to answer, for floury hands. -->
<script lang="ts">
  import ScaleFace from '../../device/ScaleFace.svelte';
  import ColourOfPhoto from './ColourOfPhoto.svelte';
  import { stack, type Step } from './steps';
  import type { BenchTest } from './test.svelte';
  import Timer from './Timer.svelte';

  interface Props {
    test: BenchTest;
    step: Step;
    onnext: () => void;
  }
  const { test, step, onnext }: Props = $props();
  let field = $state<HTMLInputElement>();
  const given = $derived(test.answers[step.key] ?? '');
  const chosen = $derived(step.key === 'stack' ? stack(test.answers) : [given]);

  $effect(() => {
    if (step.key) field?.focus();
  });

  function choose(value: string): void {
    if (step.key !== 'stack') {
      test.answer(step.key, value);
      onnext();
      return;
    }
    const now = chosen.includes(value) ? chosen.filter((m) => m !== value) : [...chosen, value];
    test.answer('stack', now.join(','));
  }
</script>

<h2>{step.title}</h2>
<p class="say">{step.say}</p>
{#if step.kind === 'choice'}
  <div class="options">
    {#each step.options ?? [] as option (option.value)}
      <button
        class="action big"
        aria-pressed={chosen.includes(option.value)}
        onclick={() => choose(option.value)}>{option.label}</button
      >
    {/each}
  </div>
{:else if step.kind === 'colour'}
  <ColourOfPhoto {test} {step} {onnext} />
{:else if step.kind === 'wait'}
  {#key step.key}<Timer seconds={step.seconds ?? 60} ondone={() => undefined} />{/key}
{:else}
  <p class="answer">
    <input
      class="field num huge"
      inputmode="decimal"
      autocomplete="off"
      aria-label="{step.title}, {step.unit}"
      aria-invalid={test.wrong ? true : undefined}
      data-mass={step.kind === 'mass' ? 'g' : undefined}
      bind:this={field}
      value={given}
      oninput={(e) => test.answer(step.key, e.currentTarget.value)}
      onkeydown={(e) => e.key === 'Enter' && test.ready && onnext()}
    />
    <span class="unit">{step.unit}</span>
  </p>
  {#if step.kind === 'mass'}
    <ScaleFace
      onread={(mass_g) => {
        test.answer(step.key, String(Math.max(0, mass_g)));
        field?.focus();
      }}
      word="Take this reading"
    />
  {/if}
{/if}

<style>
  h2 {
    font-size: var(--title);
  }

  .say {
    max-width: 38rem;
    margin: 0.5rem 0 1.25rem;
    font-size: var(--lead);
  }

  .options {
    display: flex;
    flex-wrap: wrap;
    gap: 0.75rem;
  }

  .big {
    min-width: 8rem;
    min-height: 64px;
    font-size: var(--lead);
  }

  [aria-pressed='true'] {
    border-color: var(--flax);
    background: var(--flax-wash);
    font-weight: 600;
  }

  .answer {
    display: flex;
    align-items: center;
    gap: 0.75rem;
    margin-bottom: 1.25rem;
  }

  .huge {
    width: 12rem;
    min-height: 84px;
    border-width: 2px;
    font-size: 3rem;
  }

  .unit {
    font-size: var(--title);
  }
</style>
