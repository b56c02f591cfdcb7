<script lang="ts"></script>

<div class="page">
  <h1>There is no such page</h1>
  <p class="my-3">The address may be of something that was put away, or mistyped.</p>
  <a class="action main" href="#/">Go to the briefs</a>
</div>
