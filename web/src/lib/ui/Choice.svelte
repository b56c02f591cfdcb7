<!-- A blank in a sentence: shows what is chosen, and opens what can be. -->
<script lang="ts">
  import { Popover, Portal } from '@skeletonlabs/skeleton-svelte';

  interface Option {
    name: string;
    label: string;
    hint?: string;
    group?: string;
  }
  interface Props {
    /** What the blank is, for those who do not see the sentence. */
    label: string;
    options: readonly Option[];
    chosen: readonly string[];
    /** What stands in the blank where nothing is chosen. */
    none: string;
    /** One at most, at least one (then `none` is never shown). */
    single?: boolean;
    most?: number;
    joined?: string;
    /** What so many are called, where they are too many to be named. */
    things?: string;
    /** The comma or full stop after the blank, which must not stand at the head of a line. */
    after?: string;
    onchange: (chosen: string[]) => void;
  }
  const {
    label,
    options,
    chosen,
    none,
    single = false,
    most = 99,
    joined = 'or',
    things = 'of them',
    after = '',
    onchange
  }: Props = $props();
  const id = $props.id();
  const labels = $derived(chosen.map((c) => options.find((o) => o.name === c)?.label ?? c));
  const shown = $derived(
    labels.length > 3
      ? `${labels.length} ${things}`
      : labels.length > 1
        ? `${labels.slice(0, -1).join(', ')} ${joined} ${labels.at(-1)}`
        : (labels[0] ?? none)
  );
  const groups = $derived([...new Set(options.map((o) => o.group ?? ''))]);

  function toggle(name: string): void {
    if (single) onchange([name]);
    else if (chosen.includes(name)) onchange(chosen.filter((c) => c !== name));
    else if (chosen.length < most) onchange([...chosen, name]);
  }
</script>

<!-- A flex box, so that no space comes between the blank and the comma after it. -->
<span class="blank-box"
  ><Popover positioning={{ placement: 'bottom-start', gutter: 4 }}>
    <Popover.Trigger class="blank" aria-label="{label}: {shown}">{shown}</Popover.Trigger>
    <Portal>
      <Popover.Positioner class="choice-place">
        <Popover.Content class="choice">
          <Popover.Title><span class="sr-only">{label}</span></Popover.Title>
          <div class="options" class:many={options.length > 18} class:some={options.length > 10}>
            {#each groups as group (group)}
              <fieldset>
                <legend class:sr-only={!group}>{group || label}</legend>
                {#each options.filter((o) => (o.group ?? '') === group) as option (option.name)}
                  <label>
                    <input
                      type={single ? 'radio' : 'checkbox'}
                      name={id}
                      checked={chosen.includes(option.name)}
                      disabled={!single && chosen.length >= most && !chosen.includes(option.name)}
                      onchange={() => toggle(option.name)}
                    />
                    <span
                      >{option.label}{#if option.hint}<span class="hint small">{option.hint}</span>{/if}</span
                    >
                  </label>
                {/each}
              </fieldset>
            {/each}
          </div>
          {#if !single && chosen.length}
            <button class="link small clear" onclick={() => onchange([])}>Back to “{none}”</button>
          {/if}
        </Popover.Content>
      </Popover.Positioner>
    </Portal>
  </Popover>{after}</span
>

<style>
  .blank-box {
    display: inline-flex;
    max-width: 100%;
  }

  :global(.blank) {
    padding: 0;
    border-bottom: 2px solid var(--flax);
    color: var(--flax);
    cursor: pointer;
  }

  :global(.blank:hover) {
    background: var(--flax-wash);
  }

  :global(.choice-place) {
    z-index: 30 !important;
  }

  :global(.choice) {
    max-width: min(46rem, 94vw);
    max-height: 24rem;
    padding: 0.5rem 0.75rem;
    overflow-y: auto;
    border: 1px solid var(--line);
    background: var(--sheet);
    color: var(--ink);
    box-shadow: 0 4px 18px rgb(11 20 16 / 18%);
  }

  .some {
    columns: 2 14rem;
  }

  .many {
    columns: 3 11rem;
  }

  fieldset {
    break-inside: avoid-column;
  }

  .many fieldset {
    break-inside: auto;
  }

  legend {
    padding: 0.25rem 0;
    color: var(--soft);
    font-size: var(--small);
  }

  label {
    display: flex;
    align-items: baseline;
    gap: 0.45rem;
    min-height: 28px;
    break-inside: avoid;
    cursor: pointer;
  }

  .hint {
    display: block;
    color: var(--soft);
  }

  .clear {
    margin-top: 0.35rem;
  }

  @media (pointer: coarse) {
    label {
      min-height: 44px;
      align-items: center;
    }
  }
</style>
