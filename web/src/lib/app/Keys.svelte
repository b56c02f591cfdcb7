<!-- The list of keys. -->
<script lang="ts">
  import Sheet from '../ui/Sheet.svelte';

  interface Props {
    open: boolean;
    onclose: () => void;
  }
  const { open, onclose }: Props = $props();
  const groups = [
    {
      title: 'Everywhere',
      keys: [
        ['/', 'find a brief, a blend, a formula or a flour'],
        ['?', 'this list'],
        ['Ctrl Z', 'undo (Ctrl Shift Z: redo)'],
        ['Esc', 'give back what was typed; close']
      ]
    },
    {
      title: 'In a row of the bench',
      keys: [
        ['↑ ↓', 'the row above or below'],
        ['← →', 'grams or percent'],
        ['+ −', 'one step more or less (Shift: ten)'],
        ['L', 'lock or unlock'],
        ['B', 'which bag (lot) it draws on'],
        ['Del', 'remove, when the cell is empty'],
        ['Enter', 'take what was typed']
      ]
    },
    {
      title: 'On a boundary of the column',
      keys: [
        ['↑ ↓', 'move mass across it by one step'],
        ['Page ↑ ↓', 'ten steps'],
        ['Esc', 'while dragging: put it back']
      ]
    },
    {
      title: 'On the shelf',
      keys: [
        ['↑ ↓ ← →', 'walk over the numbers; their range and source stand below'],
        ['Space', 'lay a flour out, to put it side by side'],
        ['Enter', 'open the ingredient']
      ]
    },
    {
      title: 'On the bench',
      keys: [
        ['A', 'add an ingredient'],
        ['V', 'paste a mix: grams, cups, parts or percent'],
        ['K', 'keep a revision'],
        ['P', 'propose blends for the wishes'],
        ['M', 'mend: the smallest change that lets it pass']
      ]
    },
    {
      title: 'On the formula bench',
      keys: [
        ['A', 'add an ingredient'],
        ['K', 'keep a revision'],
        ['W', 'water: wanted, poured, learnt'],
        ['S', 'in a row: what could stand in for it'],
        ['Alt ↑ ↓', 'in a row: take the line up or down'],
        ['← →', 'on the end of the water: less or more (Page ↑ ↓: ten)']
      ]
    },
    {
      title: 'On a knot of the schedule',
      keys: [
        ['← →', 'five minutes earlier or later (Shift: thirty); it is held there'],
        ['↑ ↓', 'the knot before or after'],
        ['P', 'hold it where it is, or let go'],
        ['O', 'the other oven'],
        ['N', 'now'],
        ['D', 'done'],
        ['R', 'a reading of what rests'],
        ['S', 'without this step, where it may be left out'],
        ['Esc', 'give it back']
      ]
    },
    {
      title: 'Among the proposals',
      keys: [
        ['← →', 'walk; the one under the keys stands beside the column'],
        ['Enter', 'take it as a new revision'],
        ['Esc', 'stop the search']
      ]
    }
  ];
</script>

<Sheet {open} title="Keys" {onclose}>
  {#each groups as group (group.title)}
    <h3 class="mt-3 mb-1">{group.title}</h3>
    <dl>
      {#each group.keys as [key, does] (key)}
        <dt><kbd>{key}</kbd></dt>
        <dd>{does}</dd>
      {/each}
    </dl>
  {/each}
</Sheet>

<style>
  dl {
    display: grid;
    grid-template-columns: 6rem 1fr;
    gap: 0.3rem 0.75rem;
  }
</style>
