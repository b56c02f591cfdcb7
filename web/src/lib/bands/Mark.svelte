<!-- The mark of a status: circle passes, diamond is close, square is held, open ring is unknown. -->
<script lang="ts">
  import { STATUS_CLASS, type Status } from './words';

  interface Props {
    status: Status;
    x?: number;
    y?: number;
  }
  const { status, x = 8, y = 8 }: Props = $props();
</script>

<g class={STATUS_CLASS[status]} transform="translate({x} {y})">
  {#if status === 'pass'}
    <circle r="6" />
  {:else if status === 'close'}
    <path d="M0-7.5L7.5 0L0 7.5L-7.5 0Z" />
  {:else if status === 'held'}
    <rect x="-6" y="-6" width="12" height="12" />
  {:else}
    <circle class="ring" r="5" />
  {/if}
</g>

<style>
  g {
    fill: currentcolor;
    stroke: var(--sheet);
    stroke-width: 1.5;
  }

  .ring {
    fill: none;
    stroke: currentcolor;
    stroke-width: 2;
  }
</style>
