<!-- The shelf and its lots in and out, as files that anything can open. -->
<script lang="ts">
  import { notices } from '../../ui/state/notices.svelte';
  import { Incoming } from './files.svelte';
  import Preview from './Preview.svelte';

  const incoming = new Incoming();
  let chooser = $state<HTMLInputElement>();
  let over = $state(false);
  const outs = [
    {
      what: 'The shelf',
      ways: [
        ['CSV', 'format=csv'],
        ['Spreadsheet', 'format=xlsx']
      ]
    },
    {
      what: 'The lots',
      ways: [
        ['CSV', 'what=lots&format=csv'],
        ['Spreadsheet', 'what=lots&format=xlsx']
      ]
    },
    { what: 'Both, with how every number is known', ways: [['Data package', 'format=package']] }
  ];

  function take(files: FileList | null | undefined): void {
    const file = files?.[0];
    if (file) void incoming.look(file);
  }

  async function bring(): Promise<void> {
    if (!(await incoming.bring())) return;
    notices.say(`${incoming.file?.name} is in: ${incoming.of} rows.`);
    incoming.preview = null;
    incoming.file = null;
    if (chooser) chooser.value = '';
  }
</script>

<div class="page">
  <div class="page-head"><h1>The shelf, in and out</h1></div>
  <section>
    <h2>Take out</h2>
    <ul>
      {#each outs as out (out.what)}
        <li>
          <span>{out.what}</span>
          {#each out.ways as [label, query] (query)}
            <a class="action" href="/api/v1/shelf/export?{query}" download>{label}</a>
          {/each}
        </li>
      {/each}
    </ul>
  </section>
  <section>
    <h2>Bring in</h2>
    <p>
      A table of ingredients or of lots (CSV or a spreadsheet, units in the header), or a data package. You
      see what it would change before anything is written; then all of it comes in, or nothing. Blank cells
      leave things as they are.
      <a href="#/method/shelf-files">The columns</a>
    </p>
    <!-- svelte-ignore a11y_no_static_element_interactions -->
    <div
      class="drop"
      class:over
      ondragover={(e) => {
        e.preventDefault();
        over = true;
      }}
      ondragleave={() => (over = false)}
      ondrop={(e) => {
        e.preventDefault();
        over = false;
        take(e.dataTransfer?.files);
      }}
    >
      <button class="action" disabled={!!incoming.busy} onclick={() => chooser?.click()}>Choose a file</button
      >
      <span class="soft">or let it fall here</span>
      <input
        class="sr-only"
        type="file"
        tabindex="-1"
        aria-label="Table or data package"
        accept=".csv,.xlsx,.zip"
        bind:this={chooser}
        onchange={() => take(chooser?.files)}
      />
      {#if incoming.file}<b>{incoming.file.name}</b>{/if}
      {#if incoming.busy === 'looking'}<span role="status">Looking through it …</span>{/if}
    </div>
    {#if incoming.wrong}<p class="wrong" role="alert">{incoming.wrong}</p>{/if}
    {#if incoming.busy === 'writing'}
      <p class="progress" role="status">
        <progress max={incoming.of} value={incoming.done} aria-label="Rows brought in"></progress>
        {incoming.done} of {incoming.of} rows
        <button class="action" onclick={() => incoming.stop()}>Stop</button>
      </p>
    {:else if incoming.preview}
      <Preview preview={incoming.preview} onbring={bring} />
    {/if}
  </section>
</div>

<style>
  section {
    margin-top: 1.25rem;
  }

  h2 {
    margin-bottom: 0.4rem;
  }

  li {
    display: flex;
    align-items: center;
    gap: 0.5rem;
    padding: 0.3rem 0;
    border-bottom: 1px solid var(--hairline);
  }

  li span {
    flex: 1;
    max-width: 24rem;
  }

  .drop {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 0.75rem;
    margin: 0.75rem 0;
    padding: 1rem;
    border: 1px dashed var(--line);
  }

  .over {
    border-color: var(--flax);
    background: var(--flax-wash);
  }

  .wrong {
    padding: 0.5rem 0.75rem;
    border-left: 4px solid var(--held);
    background: var(--held-wash);
  }

  .progress {
    display: flex;
    align-items: center;
    gap: 0.75rem;
  }

  progress {
    width: 20rem;
  }
</style>
