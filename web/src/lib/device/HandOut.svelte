<!-- Hands a sheet to a phone: an address and port that one picks, a code to point the phone at, for a day. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../api/client';
  import Sheet from '../ui/Sheet.svelte';
  import { attempt } from '../ui/state/attempt';

  interface Props {
    /** What the sheet is about: a trial, or a batch that is weighed. */
    of: 'trials' | 'batches';
    id: number;
    open: boolean;
    onclose: () => void;
  }
  const { of, id, open, onclose }: Props = $props();
  let door = $state.raw<Schemas['DoorOut'] | null>(null);
  let link = $state.raw<Schemas['WeighSheetOut'] | null>(null);
  let host = $state('');
  let port = $state('');

  async function look(): Promise<void> {
    door = (await ask(api.GET('/api/v1/sheets'))).data;
    host = door.host ?? door.addresses[0] ?? '';
    port = String(door.port ?? '');
  }

  async function hand(): Promise<void> {
    const body = { host: host.trim(), port: Number(port) || 0 };
    const made =
      of === 'trials'
        ? api.POST('/api/v1/trials/{trial_id}/sheets', { params: { path: { trial_id: id } }, body })
        : api.POST('/api/v1/batches/{batch_id}/sheets', { params: { path: { batch_id: id } }, body });
    link = (await ask<Schemas['WeighSheetOut']>(made)).data;
  }

  async function takeIn(): Promise<void> {
    if (of === 'trials')
      await api.DELETE('/api/v1/trials/{trial_id}/sheets', { params: { path: { trial_id: id } } });
    else await api.DELETE('/api/v1/batches/{batch_id}/sheets', { params: { path: { batch_id: id } } });
    close();
  }

  function close(): void {
    link = null;
    onclose();
  }

  $effect(() => {
    if (open && !door) void attempt(look);
  });
</script>

<Sheet {open} title="Onto a phone" onclose={close}>
  {#if link}
    <p>
      Point the phone at it, or type the address. It opens this one sheet, for a day; it is shown only now.
    </p>
    <!-- eslint-disable-next-line svelte/no-at-html-tags -- a picture that our own server drew -->
    <div class="code" role="img" aria-label="Code with the address">{@html link.qr_svg}</div>
    <p class="address num">{link.url}</p>
    <button class="action" onclick={() => attempt(takeIn)}>Close it to every phone</button>
  {:else if door}
    <p class="small">
      The phone has to be in the same house. The kitchen itself stays on this machine: at this address answers
      nothing but the sheet.
    </p>
    <form
      onsubmit={(e) => {
        e.preventDefault();
        void attempt(hand);
      }}
    >
      <label>Address <input bind:value={host} list="addresses" required maxlength="60" /></label>
      <datalist id="addresses"
        >{#each door.addresses as a (a)}<option value={a}></option>{/each}</datalist
      >
      <label>Port <input class="port" bind:value={port} inputmode="numeric" placeholder="any" /></label>
      <button class="action main">Hand it out</button>
    </form>
  {/if}
</Sheet>

<style>
  form {
    display: flex;
    flex-wrap: wrap;
    gap: 0.6rem;
    align-items: end;
  }

  input {
    display: block;
    min-height: 40px;
    padding: 0 0.5rem;
    border: 1px solid var(--line);
    background: transparent;
  }

  .port {
    width: 5rem;
  }

  .code {
    display: inline-block;
    background: #fff;
    padding: 0.4rem;
    color: #000;
  }

  .address {
    overflow-wrap: anywhere;
  }
</style>
