<!-- The page of a document: puts it on its bench, and sees to it that what is unsaved is saved as it is left. -->
<script lang="ts" generics="Bench extends OnBench">
  import { onDestroy, type Snippet } from 'svelte';
  import { loadOn } from '../ui/state/loading.svelte';
  import Trouble from '../ui/Trouble.svelte';
  import { Opening, type OnBench } from './opening.svelte';

  interface Props {
    id: string;
    noun: string;
    make: (id: number) => Promise<Bench>;
    sheet: Snippet<[Bench]>;
  }
  const { id, noun, make, sheet }: Props = $props();
  // svelte-ignore state_referenced_locally
  const opening = new Opening<Bench>(make);

  loadOn(
    () => id,
    (asked) => opening.load(asked)
  );
  onDestroy(() => opening.close());
</script>

<svelte:window onpagehide={() => opening.bench?.save.leave()} />

{#if opening.trouble}
  <Trouble say={opening.trouble} again={() => opening.load(id)} />
{:else if opening.bench}
  {#key opening.bench}{@render sheet(opening.bench)}{/key}
{:else}
  <p class="page soft" role="status">Putting the {noun} on the bench …</p>
{/if}
