/** A colour and a hatching for each product of a plan, so that threads are told apart without colour too. */
export const SWATCHES = [
  { colour: '--role-whole_grain', hatch: 'hatch-whole_grain' },
  { colour: '--role-starch', hatch: 'hatch-starch' },
  { colour: '--role-root_flour', hatch: 'hatch-root_flour' },
  { colour: '--role-legume', hatch: 'hatch-legume' },
  { colour: '--role-fibre', hatch: 'hatch-fibre' },
  { colour: '--role-refined_flour', hatch: 'hatch-refined_flour' }
] as const;
