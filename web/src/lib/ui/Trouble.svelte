<!-- What went wrong on loading a page, and what to do. -->
<script lang="ts">
  interface Props {
    say: string;
    again: () => void;
  }
  const { say, again }: Props = $props();
</script>

<div class="page" role="alert">
  <h1>This page could not be shown</h1>
  <p class="my-3">{say}</p>
  <button class="action main" onclick={again}>Try again</button>
</div>
