/** Every key that the pages know, by where it works; each is pressed by a test in the real browser. */
export interface KeyGroup {
  title: string;
  keys: readonly (readonly [key: string, does: string])[];
}

export const KEYS: readonly KeyGroup[] = [
  {
    title: 'Everywhere',
    keys: [
      ['/', 'find a brief, a blend, a formula or a flour; ↑ ↓ and Enter to open it'],
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
      ['+ −', 'one step more or less (Page ↑ ↓: ten)'],
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
      ['M', 'mend: the smallest change that lets it pass'],
      ['U', 'what else it is good for']
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
  },
  {
    title: 'Among the bakes of a formula',
    keys: [
      ['↑ ↓', 'the bake before or after, along its line'],
      ['← →', 'across to a branch'],
      ['=', 'compare with the one you were on before']
    ]
  },
  {
    title: 'At a table of tasters',
    keys: [
      ['← →', 'the seat before or after'],
      ['L', 'the chosen seat’s sheet onto a phone'],
      ['P', 'paper sheets']
    ]
  },
  {
    title: 'On the map of an experiment',
    keys: [['↑ ↓ ← →', 'move the point by one percent of flour (Shift: five)']]
  },
  {
    title: 'At the scale',
    keys: [
      ['Enter', 'take what stands still'],
      ['T', 'tare'],
      ['N', 'the next part']
    ]
  }
];
