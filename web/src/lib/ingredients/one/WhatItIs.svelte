<!-- What an own ingredient is: name, role, what it does, allergens, flavour, gluten risk. -->
<script lang="ts">
  import { wordsOf, type Schemas } from '../../api/client';
  import { spaced } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import Sheet from '../../ui/Sheet.svelte';
  import type { OneIngredient } from './ingredient.svelte';

  interface Props {
    one: OneIngredient;
    open: boolean;
    onclose: () => void;
  }
  const { one, open, onclose }: Props = $props();
  let name = $state('');
  let role = $state('');
  let functions = $state<string[]>([]);
  let marks = $state<string[]>([]);
  let words = $state('');
  let risk = $state('');
  let wrong = $state('');
  const known = $derived(kitchen.reference?.allergens ?? []);
  const does = $derived(kitchen.reference?.functions ?? []);
  // The allergens of law; the rest is watched.
  const LEGAL = [
    'tree-nuts',
    'soya',
    'lupin',
    'egg',
    'milk',
    'wheat',
    'sesame',
    'peanut',
    'mustard',
    'celery'
  ];

  $effect(() => {
    if (!open) return;
    const w = one.whole;
    name = w.name;
    role = w.role;
    functions = [...w.functions];
    marks = [...w.allergens, ...w.watch];
    words = w.flavour_words.join(', ');
    risk = w.gluten_risk;
    wrong = '';
  });

  async function save(event: Event): Promise<void> {
    event.preventDefault();
    const was = one.whole.allergens;
    try {
      await one.save({
        name,
        role: role as 'starch',
        functions: functions as Schemas['Function'][],
        allergens: marks.filter((m) => LEGAL.includes(m) || was.includes(m)),
        watch: marks.filter((m) => !LEGAL.includes(m) && !was.includes(m)),
        flavour_words: words
          .split(',')
          .map((w) => w.trim())
          .filter(Boolean),
        gluten_risk: risk as 'low'
      });
      onclose();
    } catch (error) {
      wrong = wordsOf(error);
    }
  }

  function take(event: Event): void {
    const select = event.currentTarget as HTMLSelectElement;
    if (select.value) functions = [...functions, select.value];
    select.value = '';
  }

  function toggle(mark: string): void {
    marks = marks.includes(mark) ? marks.filter((m) => m !== mark) : [...marks, mark];
  }
</script>

<Sheet {open} title="What it is" wide {onclose}>
  <form onsubmit={save}>
    <p class="line">
      <label for="own-name">It is called</label>
      <input id="own-name" class="field grow" required maxlength="120" bind:value={name} />
      <label for="own-role">and is a</label>
      <select id="own-role" class="field" bind:value={role}>
        {#each kitchen.reference?.roles ?? [] as r (r.name)}<option value={r.name}>{r.label}</option>{/each}
      </select>
    </p>
    <p class="line">
      <label for="own-does">In a dough it works as</label>
      {#each functions as name (name)}
        <button
          type="button"
          class="action"
          aria-label="Not as {kitchen.functionLabel(name)}"
          title="Take this away"
          onclick={() => (functions = functions.filter((f) => f !== name))}
          >{kitchen.functionLabel(name)} ×</button
        >
      {/each}
      <select id="own-does" class="field" value="" onchange={take}>
        <option value="">{functions.length ? 'and as …' : 'nothing in particular'}</option>
        {#each does.filter((d) => !functions.includes(d.name)) as d (d.name)}
          <option value={d.name}>{d.label}</option>
        {/each}
      </select>
    </p>
    <p class="soft small">Swaps, usual doses, leavening and stages go by this, not by the name.</p>
    <fieldset>
      <legend>It contains, or is to be watched for</legend>
      <div class="marks">
        {#each known as mark (mark.name)}
          <button
            type="button"
            class="action"
            aria-pressed={marks.includes(mark.name)}
            onclick={() => toggle(mark.name)}>{spaced(mark.label)}</button
          >
        {/each}
      </div>
    </fieldset>
    <p class="line">
      <label for="own-words">It tastes</label>
      <input id="own-words" class="field grow" bind:value={words} placeholder="nutty, sweet" />
    </p>
    <p class="line">
      <label for="own-risk">Gluten from field, mill or bin is</label>
      <select id="own-risk" class="field" bind:value={risk}>
        <option value="">not known</option>
        <option value="low">seldom found</option>
        <option value="medium">possible: ask for a test</option>
        <option value="high-needs-certified">likely: needs a certified supply</option>
        <option value="contains-gluten">in it: made of a gluten cereal</option>
      </select>
    </p>
    {#if wrong}<p class="held" role="alert">{wrong}</p>{/if}
    <p class="line end"><button class="action main">Save</button></p>
  </form>
</Sheet>

<style>
  .line {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.5rem;
    margin-top: 0.75rem;
  }

  .grow {
    flex: 1;
  }

  .end {
    justify-content: flex-end;
  }

  .marks {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem;
    margin-top: 0.4rem;
  }

  fieldset {
    margin-top: 0.75rem;
  }

  [aria-pressed='true'] {
    border-color: var(--flax);
    background: var(--flax-wash);
    font-weight: 600;
  }
</style>
