<!-- A trial out as a file, its readings as a table, and readings brought in. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { sendFile } from '../../api/sending';
  import { attempt } from '../../ui/state/attempt';
  import { notices } from '../../ui/state/notices.svelte';
  import type { Trial } from '../types';

  const { trial, changed }: { trial: Trial; changed: () => Promise<void> } = $props();

  async function bring(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    if (!file) return;
    try {
      const path = `trials/${trial.id}/readings/import`;
      const found = await sendFile<Schemas['BroughtOut']>(path, 'text/csv', file);
      notices.say(found.notes.join(' '));
      await changed();
    } finally {
      input.value = '';
    }
  }
</script>

<p class="small files">
  <a href="/api/v1/trials/{trial.id}/export" download>Trial file</a>
  <a href="/api/v1/trials/{trial.id}/export?format=csv" download>Readings as CSV</a>
  <label class="link"
    >Bring in readings (CSV)<input
      class="sr-only"
      type="file"
      accept=".csv,text/csv"
      onchange={(e) => attempt(() => bring(e.currentTarget))}
    /></label
  >
  <a href="/sheet/{trial.id}/" target="_blank" rel="noreferrer">Sheet to print</a>
</p>

<style>
  .files {
    display: flex;
    flex-wrap: wrap;
    gap: 0.4rem 1.2rem;
    margin-top: 1rem;
  }

  .link:focus-within {
    outline: 3px solid var(--flax);
  }
</style>
