<!-- Height as five steps of one ink with lines and figures; chalk where it is a guess; where the best may lie. -->
<script lang="ts">
  import { figure } from '../../ui/format';
  import type { Experiment } from '../types';
  import type { Spot } from './geometry';
  import { labelSpot, painted } from './shades';

  interface Props {
    experiment: Experiment;
    outline: readonly Spot[];
    middle: Spot;
    /** What stands on the map: no figure of a level lies under it. */
    there: readonly Spot[];
  }
  const { experiment: e, outline, middle, there }: Props = $props();
  const picture = $derived(e.picture!);
  const paint = $derived(picture.lattice ? painted(picture.lattice, picture.levels, picture.chalk) : null);
  const decimals = $derived(e.response.unit === 'of 9' ? 1 : 2);
</script>

<defs>
  <pattern id="map-chalk" width="13" height="11" patternUnits="userSpaceOnUse"
    ><circle cx="2" cy="3" r="1.3" /><circle cx="8" cy="8" r="1.1" /><circle cx="11" cy="2" r="1" /><circle
      cx="5"
      cy="10"
      r="1.2"
    /></pattern
  >
</defs>
{#if paint}
  <g clip-path="url(#map-region)">
    {#each paint.bands as band, n (band.level)}<path d={band.d} class="s{n + 1}" fill-rule="evenodd" />{/each}
    {#each paint.bands as band (band.level)}<path d={band.d} class="line" />{/each}
    <path d={paint.chalk} fill="url(#map-chalk)" fill-rule="evenodd" />
    <path d={paint.may} class="may-under" />
    <path d={paint.may} class="may" />
  </g>
  {#each paint.bands as band (band.level)}
    {@const at = labelSpot(band.rings, outline, { x: middle.x + 150, y: middle.y + 70 }, there)}
    {#if at}<text x={at.x} y={at.y + 4} text-anchor="middle">{figure(band.level, decimals)}</text>{/if}
  {/each}
{/if}

<style>
  .s1 {
    fill: #cdd8d0;
  }

  .s2 {
    fill: #a8bab0;
  }

  .s3 {
    fill: #7b968a;
  }

  .s4 {
    fill: #4a6b60;
  }

  .line {
    fill: none;
    stroke: #17231f;
    stroke-width: 0.9;
  }

  circle {
    fill: #55635d;
  }

  .may-under {
    fill: none;
    stroke: #fbfcf9;
    stroke-width: 5;
  }

  .may {
    fill: none;
    stroke: #17231f;
    stroke-width: 2.6;
    stroke-dasharray: 0.1 5;
    stroke-linecap: round;
  }

  text {
    font-size: 15px;
    font-variant-numeric: tabular-nums;
    fill: #17231f;
    paint-order: stroke;
    stroke: #fbfcf9;
    stroke-width: 4.5px;
    stroke-linejoin: round;
  }
</style>
