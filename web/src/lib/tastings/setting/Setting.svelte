<!-- Setting a table: what is tasted, who sits down and must not eat what, what is asked; then it is opened. -->
<script lang="ts">
  import { attempt } from '../../ui/state/attempt';
  import { openTasting, saveTasting, type Loaded } from '../doing';
  import type { Tasting } from '../types';
  import Asking from './Asking.svelte';
  import { draftOf, type Draft } from './draft';
  import Samples from './Samples.svelte';
  import Seats from './Seats.svelte';

  interface Props {
    tasting: Tasting;
    version: string;
    changed: (next: Loaded) => void;
  }
  const { tasting: t, version, changed }: Props = $props();
  const draft = $derived(draftOf(t));
  let before = $state.raw<Draft[]>([]);
  let saving: Promise<void> = Promise.resolve();
  let known = { tasting: null as Tasting | null, version: '' };

  /** Saves one change after the other, each on the version that the one before it made. */
  function save(make: (now: Draft) => Draft, undoing = false): Promise<void> {
    saving = saving
      .catch(() => undefined)
      .then(async () => {
        const now =
          known.tasting?.id === t.id && known.tasting.version > t.version ? known : { tasting: t, version };
        const was = draftOf(now.tasting!);
        const next = await saveTasting(t.id, make(was), now.version);
        known = next;
        if (!undoing) before = [...before.slice(-30), was];
        changed(next);
      });
    return saving;
  }

  const change = (make: (now: Draft) => Draft): void => void attempt(() => save(make));

  function undo(): void {
    const last = before.at(-1);
    if (!last) return;
    before = before.slice(0, -1);
    void attempt(() => save(() => last, true));
  }

  async function open(): Promise<void> {
    await saving;
    changed(await openTasting(t.id));
  }
</script>

<div class="page">
  <div class="page-head">
    <h1>
      <label
        ><span class="sr-only">Name of the table</span><input
          class="name"
          value={draft.name}
          maxlength="120"
          onchange={(e) => {
            const name = e.currentTarget.value.trim();
            if (name) change((d) => ({ ...d, name }));
          }}
        /></label
      >
    </h1>
    <button class="action" disabled={!before.length} onclick={undo}>Undo</button>
    <button class="action main" onclick={() => attempt(open)}>Open the table</button>
  </div>
  <p class="says" data-says>{t.say}</p>
  {#each t.warnings as warning (warning)}<p class="small warning">{warning}</p>{/each}
  <div class="three">
    <Samples tasting={t} {draft} {change} />
    <Seats tasting={t} {draft} {change} />
    <Asking tasting={t} {draft} {change} />
  </div>
  <p class="caution small">
    Before anything is served: an allergy or coeliac disease that somebody states is never lifted, only left
    out; what is not known counts as there. Nothing here says that a sample is free of anything. Raw dough,
    and a core that did not come to its aim, are not tasted.
  </p>
</div>

<style>
  .name {
    width: 24rem;
    max-width: 100%;
    min-height: 40px;
    border: 1px solid transparent;
    background: transparent;
    font: inherit;
  }

  .name:hover,
  .name:focus {
    border-color: var(--line);
  }

  .says {
    margin: 0.2rem 0;
    font-size: var(--lead);
    font-weight: 600;
  }

  .warning,
  .caution {
    color: var(--close);
  }

  .warning {
    margin: 0.2rem 0;
  }

  .three {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1.25fr) minmax(0, 0.9fr);
    gap: 2rem;
    align-items: start;
    margin-top: 1rem;
  }

  @media (max-width: 1000px) {
    .three {
      grid-template-columns: 1fr;
    }
  }
</style>
