<!-- By what a label is made: whose law, which language, which size. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Asked {
    scheme: string;
    language: string;
    size: string;
    portion: string;
  }
  interface Props {
    choices: Schemas['ChoicesOut'];
    asked: Asked;
    choose: (change: Partial<Asked>) => void;
    formulas: Readonly<Record<string, string>>;
    formula: number | undefined;
    on: (formula: number | undefined) => void;
  }
  const { choices, asked, choose, formulas, formula, on }: Props = $props();
  const of = (event: Event): string => (event.currentTarget as HTMLSelectElement).value;
</script>

<div class="choices no-print">
  <label
    ><span>scheme</span>
    <select
      class="field"
      aria-label="scheme"
      value={asked.scheme}
      onchange={(e) => choose({ scheme: of(e) })}
    >
      {#each Object.entries(choices.schemes) as [name, label] (name)}<option value={name}>{label}</option
        >{/each}
    </select></label
  >
  <label
    ><span>language</span>
    <select
      class="field"
      aria-label="language"
      value={asked.language}
      onchange={(e) => choose({ language: of(e) })}
    >
      <option value="">as the scheme has it</option>
      {#each Object.entries(choices.languages) as [name, label] (name)}<option value={name}>{label}</option
        >{/each}
    </select></label
  >
  <label
    ><span>size</span>
    <select class="field" aria-label="size" value={asked.size} onchange={(e) => choose({ size: of(e) })}>
      {#each choices.sizes.filter((s) => !s.name.includes('sheet')) as s (s.name)}
        <option value={s.name}>{s.for_what}, {s.width_mm} × {s.height_mm} mm</option>
      {/each}
    </select></label
  >
  <label
    ><span>portion, g</span>
    <input
      class="field num"
      aria-label="portion, g"
      inputmode="decimal"
      placeholder="none"
      value={asked.portion}
      onchange={(e) => choose({ portion: e.currentTarget.value })}
    /></label
  >
  <label
    ><span>claims by</span>
    <select
      class="field"
      aria-label="claims by"
      value={formula ? String(formula) : ''}
      onchange={(e) => on(Number(of(e)) || undefined)}
    >
      <option value="">no formula: no claims</option>
      {#each Object.entries(formulas) as [n, name] (n)}<option value={n}>{name}</option>{/each}
    </select></label
  >
</div>

<style>
  .choices {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem 1rem;
    padding-bottom: 0.6rem;
    border-bottom: 1px solid var(--ink);
  }

  .num {
    width: 5rem;
  }

  label {
    display: grid;
    color: var(--soft);
    font-size: var(--small);
  }
</style>
