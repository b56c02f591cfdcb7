<!-- From a formula, or from a plan of one, to its trial, in one step. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { wordsOf } from '../api/client';
  import Trouble from '../ui/Trouble.svelte';
  import { beginTrial } from './making';

  const { params }: { params: { id: string } } = $props();
  let trouble = $state('');

  async function begin(): Promise<void> {
    trouble = '';
    try {
      await beginTrial({ formula_id: Number(params.id) });
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  onMount(begin);
</script>

{#if trouble}<Trouble say={trouble} again={begin} />{:else}<p class="soft" role="status">
    Predicting the bake …
  </p>{/if}
