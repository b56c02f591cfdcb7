<!-- What a little more of each thing would do to a value: the table that every "how it would change" ends in. -->
<script lang="ts" module>
  export interface Move {
    /** What is moved, how much of it there is, and how much more: both as they are shown. */
    name: string;
    there: string;
    more: string;
    moves: number;
  }
</script>

<script lang="ts">
  import { signed } from '../ui/format';

  interface Props {
    rows: readonly Move[];
    what: string;
    unit: string;
  }
  const { rows, what, unit }: Props = $props();
</script>

<table class="lines">
  <thead>
    <tr>
      <th scope="col">{what}</th>
      <th scope="col" class="num">there is</th>
      <th scope="col" class="num">more of it</th>
      <th scope="col" class="num">moves it by, {unit}</th>
    </tr>
  </thead>
  <tbody>
    {#each rows as row, n (n)}
      <tr>
        <th scope="row">{row.name}</th>
        <td class="num">{row.there}</td>
        <td class="num">{row.more}</td>
        <td class="num">{signed(row.moves, 2)}</td>
      </tr>
    {/each}
  </tbody>
</table>

<style>
  .lines {
    width: auto;
    min-width: min(100%, 26rem);
    margin-top: 0.3rem;
  }
</style>
