<!-- The head of a trial: what was baked, when and why; to its sheet, and onto a phone. -->
<script lang="ts">
  import { api, ask } from '../../api/client';
  import { day } from '../../ui/format';
  import { attempt } from '../../ui/state/attempt';
  import type { Trial } from '../types';
  import HandOut from '../../device/HandOut.svelte';
  import { undoTrial } from './trying';

  interface Props {
    trial: Trial;
    version: string;
    changed: () => Promise<void>;
  }
  const { trial, version, changed }: Props = $props();
  let handing = $state(false);

  async function save(change: Partial<Trial>): Promise<void> {
    const { name, baked_on, note, because, set_aside } = { ...trial, ...change };
    const body = { name, baked_on, note, because, set_aside };
    const params = { path: { trial_id: trial.id }, header: { 'If-Match': version } };
    await ask(api.PUT('/api/v1/trials/{trial_id}', { params, body }));
    await changed();
  }
</script>

<div class="page-head">
  <h1>
    <label
      ><span class="sr-only">Name of the trial</span><input
        value={trial.name}
        maxlength="120"
        onchange={(e) => attempt(() => save({ name: e.currentTarget.value.trim() || trial.name }))}
      /></label
    >
  </h1>
  <a class="action main" href="/sheet/{trial.id}/" target="_blank" rel="noreferrer">Open the sheet</a>
  <button class="action" onclick={() => (handing = true)}>Onto a phone</button>
  {#if trial.readings.length}
    <button class="action" onclick={() => attempt(() => save({ set_aside: !trial.set_aside }))}
      >{trial.set_aside ? 'Learn from it again' : 'Set aside'}</button
    >
  {:else}
    <button class="action" onclick={() => attempt(() => undoTrial(trial))}>Undo: do not bake it</button>
  {/if}
</div>
<p class="small about">
  <a href="#/formula/{trial.formula_id}">{trial.formula_name}</a>{trial.formula_revision
    ? `, revision ${trial.formula_revision}`
    : ''}{trial.blend_name ? ` on ${trial.blend_name}` : ''} · {day(trial.baked_on)} · {trial.stage}
  {#if trial.kept_h}· dough kept {trial.kept_h} h{/if}
  {#if trial.set_aside}· <b>set aside: shown, not learnt from</b>{/if}
  {#if trial.before}· after <a href="#/trial/{trial.before.id}">{trial.before.name}</a>{/if}
</p>
{#if trial.because.say}<p class="because">Because: {trial.because.say}</p>{/if}
<label class="note small">
  <span class="soft">Note</span>
  <input
    value={trial.note}
    maxlength="2000"
    placeholder="what no number says"
    onchange={(e) => attempt(() => save({ note: e.currentTarget.value }))}
  />
</label>
<HandOut of="trials" id={trial.id} open={handing} onclose={() => (handing = false)} />

<style>
  h1 {
    flex: 1 1 14rem;
    min-width: 0;
  }

  h1 input {
    width: 100%;
    font: inherit;
    background: transparent;
    border: 0;
    border-bottom: 1px dashed transparent;
  }

  h1 input:hover,
  h1 input:focus {
    border-bottom-color: var(--line);
  }

  .about {
    margin: 0.1rem 0 0;
  }

  .because {
    margin: 0.15rem 0 0;
    font-weight: 600;
  }

  .note {
    display: flex;
    gap: 0.6rem;
    align-items: baseline;
    margin: 0.15rem 0 1rem;
  }

  .note input {
    flex: 1;
    min-height: 32px;
    border: 0;
    border-bottom: 1px dashed var(--hairline);
    background: transparent;
  }
</style>
