<!-- Feedings, the latest first: how long each took to its peak. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { mass } from '../../ui/format';
  import { kitchen } from '../../app/kitchen.svelte';
  import { dayAndTime, lasting, minutesBetween } from '../clock';

  interface Props {
    feedings: readonly Schemas['FeedingOnRecord'][];
    zone: string;
    now: string;
    change: (id: number, body: Schemas['FeedingChangeIn']) => void;
  }
  const { feedings, zone, now, change }: Props = $props();
  const unit = $derived(kitchen.settings?.mass_unit ?? 'g');
</script>

{#if feedings.length}
  <!-- svelte-ignore a11y_no_noninteractive_tabindex -->
  <div class="wide" tabindex="0" role="region" aria-label="Feedings">
    <table class="lines">
      <thead>
        <tr
          ><th>fed</th><th class="num">seed</th><th class="num">flour</th><th class="num">water</th><th
            class="num">stood at</th
          ><th>peaked after</th><th>put away</th><td></td></tr
        >
      </thead>
      <tbody>
        {#each feedings as f (f.id)}
          <tr>
            <td>{dayAndTime(f.fed_at, zone)}</td>
            <td class="num">{mass(f.seed_g, unit)}</td>
            <td class="num">{mass(f.flour_g, unit)}</td>
            <td class="num">{mass(f.water_g, unit)}</td>
            <td class="num">{f.temp_c.toFixed(0)} °C</td>
            <td>
              {#if f.peaked_at}{lasting(minutesBetween(f.fed_at, f.peaked_at))}{:else}<button
                  class="link"
                  onclick={() => change(f.id, { peaked_at: now, withdrawn: false })}>it peaks now</button
                >{/if}
            </td>
            <td>
              {#if f.chilled_at}{dayAndTime(f.chilled_at, zone)}{:else}<button
                  class="link"
                  onclick={() => change(f.id, { chilled_at: now, withdrawn: false })}
                  >into the fridge now</button
                >{/if}
            </td>
            <td><button class="link" onclick={() => change(f.id, { withdrawn: true })}>a slip</button></td>
          </tr>
        {/each}
      </tbody>
    </table>
  </div>
{/if}

<style>
  .wide {
    overflow-x: auto;
  }

  table {
    max-width: 60rem;
  }
</style>
