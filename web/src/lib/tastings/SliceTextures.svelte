<!-- Textures of slices, one a sample: colour is never alone. -->
<script lang="ts">
  // Drawn once a page; slices name them.
</script>

<svg width="0" height="0" aria-hidden="true" class="textures">
  <defs>
    <pattern id="slice-0" width="7" height="7" patternUnits="userSpaceOnUse"
      ><circle cx="2" cy="2" r="1.2" /></pattern
    >
    <pattern id="slice-1" width="6" height="6" patternUnits="userSpaceOnUse"><path d="M0 3h6" /></pattern>
    <pattern id="slice-2" width="8" height="8" patternUnits="userSpaceOnUse"><path d="M0 8L8 0" /></pattern>
    <pattern id="slice-3" width="6" height="6" patternUnits="userSpaceOnUse"><path d="M3 0v6" /></pattern>
    <pattern id="slice-4" width="8" height="8" patternUnits="userSpaceOnUse"
      ><path d="M0 0l8 8M0 8l8-8" /></pattern
    >
    <pattern id="slice-5" width="8" height="8" patternUnits="userSpaceOnUse"
      ><path d="M2 4h4M4 2v4" /></pattern
    >
    <pattern id="slice-6" width="9" height="9" patternUnits="userSpaceOnUse"
      ><circle cx="4" cy="4" r="2.4" class="ring" /></pattern
    >
    <pattern id="slice-7" width="8" height="6" patternUnits="userSpaceOnUse"
      ><path d="M0 4l4-3 4 3" /></pattern
    >
  </defs>
</svg>

<style>
  .textures {
    position: absolute;
  }

  path,
  .ring {
    fill: none;
    stroke: #17231f;
    stroke-width: 0.8;
    opacity: 0.75;
  }

  circle:not(.ring) {
    fill: #17231f;
    opacity: 0.6;
  }
</style>
