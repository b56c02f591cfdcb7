<script lang="ts"></script>

<!-- The hatching of each role and the mesh of the sieves, once for the whole document. A column reads without colour. -->
<svg class="patterns" width="0" height="0" aria-hidden="true">
  <defs>
    <pattern id="hatch-whole_grain" width="6" height="6" patternUnits="userSpaceOnUse">
      <circle cx="1.5" cy="1.5" r="0.9" /><circle cx="4.5" cy="4.5" r="0.9" />
    </pattern>
    <pattern id="hatch-refined_flour" width="9" height="9" patternUnits="userSpaceOnUse">
      <circle cx="2" cy="2" r="0.7" /><circle cx="6.5" cy="6.5" r="0.7" />
    </pattern>
    <pattern id="hatch-root_flour" width="10" height="8" patternUnits="userSpaceOnUse">
      <path d="M1 2h4M6 6h4" />
    </pattern>
    <pattern id="hatch-starch" width="8" height="5" patternUnits="userSpaceOnUse"
      ><path d="M0 2.5h8" /></pattern
    >
    <pattern id="hatch-nut_seed" width="7" height="7" patternUnits="userSpaceOnUse">
      <path class="pale" d="M-1 8L8 -1" />
    </pattern>
    <pattern id="hatch-legume" width="6" height="6" patternUnits="userSpaceOnUse"><path d="M3 0v6" /></pattern
    >
    <pattern id="hatch-protein" width="9" height="9" patternUnits="userSpaceOnUse">
      <path d="M4.5 2.5v4M2.5 4.5h4" />
    </pattern>
    <pattern id="hatch-fibre" width="10" height="6" patternUnits="userSpaceOnUse">
      <path d="M0 3q2.5-3 5 0t5 0" />
    </pattern>
    <pattern id="hatch-binder" width="5" height="5" patternUnits="userSpaceOnUse">
      <path class="pale" d="M-1 -1L6 6" />
    </pattern>
    <pattern id="hatch-other" width="12" height="12" patternUnits="userSpaceOnUse">
      <path d="M6 4v4M4 6h4" />
    </pattern>
    <pattern id="mesh" width="6" height="6" patternUnits="userSpaceOnUse">
      <path class="mesh" d="M0 0L6 6M6 0L0 6" />
    </pattern>
  </defs>
</svg>

<style>
  .patterns {
    position: absolute;
  }

  circle {
    fill: var(--role-ink);
    fill-opacity: 0.55;
  }

  path {
    fill: none;
    stroke: var(--role-ink);
    stroke-opacity: 0.45;
    stroke-width: 1;
  }

  path.mesh {
    stroke: var(--mesh);
    stroke-opacity: 1;
    stroke-width: 0.8;
  }

  path.pale {
    stroke: #fff;
    stroke-opacity: 0.55;
    stroke-width: 1.2;
  }
</style>
