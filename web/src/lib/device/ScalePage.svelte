<!-- The kitchen's own scale: what its last check told, and the checks before. -->
<script lang="ts">
  import { onMount } from 'svelte';
  import { api, ask, wordsOf, type Schemas } from '../api/client';
  import { day } from '../ui/format';
  import Trouble from '../ui/Trouble.svelte';
  import ScaleFace from './ScaleFace.svelte';

  let checks = $state.raw<Schemas['FindingOut'][] | null>(null);
  let trouble = $state('');

  async function load(): Promise<void> {
    trouble = '';
    try {
      checks = (await ask(api.GET('/api/v1/scale-checks'))).data.items;
    } catch (error) {
      trouble = wordsOf(error);
    }
  }

  onMount(load);
</script>

{#if trouble}
  <Trouble say={trouble} again={load} />
{:else if checks}
  <div class="page">
    <div class="page-head">
      <h1>{checks[0]?.say ?? 'Nothing is known of your scale yet.'}</h1>
      <a class="action main" href="#/scale/check">{checks.length ? 'Check it again' : 'Check your scale'}</a>
    </div>
    <p class="my-3">
      Ten weighings of one coin tell how small a dose your scale can be trusted with, and how sure every bench
      test can be. Without a check, steps of 1 g are taken.
    </p>
    <h2>On the bench</h2>
    <div class="my-3"><ScaleFace /></div>
    <p class="soft small">
      What ships is a simulated scale: it settles, is a little noisy and drifts. With the scale button in the
      top bar its reading can go into any mass field.
    </p>
    {#if checks.length > 1}
      <h2>Before</h2>
      <ul>
        {#each checks.slice(1) as check (check.id)}<li>
            <b>{day(check.on)}</b>
            {check.say}
          </li>{/each}
      </ul>
    {/if}
  </div>
{:else}
  <p class="page soft" role="status">Fetching the checks …</p>
{/if}

<style>
  h1 {
    flex: 1;
  }

  h2 {
    margin-top: 1rem;
  }
</style>
