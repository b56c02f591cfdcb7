<!-- What an empty tube says: how to begin. -->
<script lang="ts">
  interface Props {
    onadd: () => void;
    onpaste: () => void;
    /** Offered where it is known what the mix is for. */
    onpropose: (() => void) | null;
  }
  const { onadd, onpaste, onpropose }: Props = $props();
</script>

<div class="teach">
  <h2>Nothing in the tube yet</h2>
  <p>
    Start with the flour that should carry the flavour, then a starch, then a binder. Each becomes a layer.
  </p>
  <p class="start">
    <button class="action main" onclick={onadd}>Add a first flour</button>
    <button class="action" onclick={onpaste}>Paste a mix</button>
    {#if onpropose}<button class="action" onclick={onpropose}>Propose a mix</button>{/if}
  </p>
</div>

<style>
  .teach {
    align-self: center;
    max-width: 17rem;
  }

  .start {
    display: flex;
    flex-wrap: wrap;
    gap: 0.5rem;
    margin-top: 0.75rem;
  }
</style>
