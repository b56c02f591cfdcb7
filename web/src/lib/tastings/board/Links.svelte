<!-- Sheets onto phones: an address one picks, then a code a seat to point a phone at; shown only now. -->
<script lang="ts">
  import { api, ask, type Schemas } from '../../api/client';
  import Sheet from '../../ui/Sheet.svelte';
  import { attempt } from '../../ui/state/attempt';
  import type { Tasting } from '../types';

  interface Props {
    tasting: Tasting;
    seat: number | null;
    open: boolean;
    onclose: () => void;
  }
  const { tasting, seat, open, onclose }: Props = $props();
  let door = $state.raw<Schemas['DoorOut'] | null>(null);
  let links = $state.raw<readonly Schemas['SeatLink'][]>([]);
  let host = $state('');
  let port = $state('');
  const nameOf = (n: number): string => tasting.mats.find((m) => m.number === n)?.name ?? '';

  async function look(): Promise<void> {
    door = (await ask(api.GET('/api/v1/sheets'))).data;
    host = door.host ?? door.addresses[0] ?? '';
    port = String(door.port ?? '');
  }

  async function hand(): Promise<void> {
    const body = { host: host.trim(), port: Number(port) || 0, seat };
    const params = { path: { tasting_id: tasting.id } };
    links = (await ask(api.POST('/api/v1/tastings/{tasting_id}/links', { params, body }))).data.links;
  }

  function close(): void {
    links = [];
    onclose();
  }

  $effect(() => {
    if (open && !door) void attempt(look);
  });
</script>

<Sheet {open} wide title={seat === null ? 'Onto phones' : `Seat ${seat}, onto a phone`} onclose={close}>
  {#if links.length}
    <p>
      Each opens one seat's sheet and nothing else, until the table is closed. They are shown only now; a new
      one for a seat shuts the old.
    </p>
    <div class="codes" class:one={links.length === 1}>
      {#each links as link (link.seat)}
        <figure>
          <figcaption><b>Seat {link.seat}</b> {nameOf(link.seat)}</figcaption>
          <!-- eslint-disable-next-line svelte/no-at-html-tags -- a picture that our own server drew -->
          <div class="qr" role="img" aria-label="Code for seat {link.seat}">{@html link.qr_svg}</div>
          <p class="num small">{link.url}</p>
        </figure>
      {/each}
    </div>
    <button class="action no-print" onclick={() => window.print()}>Print the codes</button>
  {:else if door}
    <p class="small">
      Plain HTTP, on your own Wi-Fi only: whoever is in it could read along. No names stand on the sheets. The
      kitchen itself stays on this machine; at this address answers nothing but sheets.
    </p>
    <form
      onsubmit={(e) => {
        e.preventDefault();
        void attempt(hand);
      }}
    >
      <label>Address <input bind:value={host} list="seat-addresses" required maxlength="60" /></label>
      <datalist id="seat-addresses"
        >{#each door.addresses as a (a)}<option value={a}></option>{/each}</datalist
      >
      <label>Port <input class="port" bind:value={port} inputmode="numeric" placeholder="any" /></label>
      <button class="action main">{seat === null ? 'Hand all sheets out' : 'Hand it out'}</button>
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

  .codes {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(11rem, 1fr));
    gap: 1rem;
  }

  .one {
    grid-template-columns: minmax(0, 26rem);
    justify-content: center;
  }

  figure {
    margin: 0;
  }

  .qr {
    background: #fff;
    color: #000;
  }

  .qr :global(svg) {
    display: block;
    width: 100%;
    height: auto;
  }

  figure p {
    margin: 0.2rem 0 0;
    overflow-wrap: anywhere;
  }
</style>
