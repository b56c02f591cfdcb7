<!-- From trials to a table that tastes them, in one step. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { wordsOf } from '../api/client';
  import Trouble from '../ui/Trouble.svelte';
  import { beginTasting } from './doing';

  const { params }: { params: { ids: string } } = $props();
  let trouble = $state('');

  async function begin(): Promise<void> {
    trouble = '';
    try {
      await beginTasting({ trials: params.ids.split(',').map(Number).filter(Boolean) });
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  onMount(begin);
</script>

{#if trouble}<Trouble say={trouble} again={begin} />{:else}<p class="soft" role="status">
    Laying the table …
  </p>{/if}
