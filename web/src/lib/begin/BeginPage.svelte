<!-- The three doors as a page of their own, for whoever begins something else. -->
<script lang="ts">
  import Doors from './Doors.svelte';
</script>

<div class="page">
  <div class="page-head"><h1>Where do you begin?</h1></div>
  <Doors />
</div>
