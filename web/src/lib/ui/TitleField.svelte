<!-- A name that is edited in place: Enter takes it, Esc gives back what stood there, an empty one is not taken. -->
<script lang="ts">
  interface Props {
    label: string;
    name: string;
    take: (name: string) => Promise<void>;
  }
  const { label, name, take }: Props = $props();

  async function rename(input: HTMLInputElement): Promise<void> {
    const typed = input.value.trim();
    if (!typed || typed === name) input.value = name;
    else await take(typed);
  }
</script>

<input
  aria-label={label}
  maxlength="120"
  value={name}
  onblur={(e) => rename(e.currentTarget)}
  onkeydown={(e) => {
    if (e.key === 'Enter') e.currentTarget.blur();
    if (e.key === 'Escape') e.currentTarget.value = name;
  }}
/>

<style>
  input {
    flex: 1;
    min-width: 0;
    margin-left: -0.35rem;
    padding: 0 0.35rem;
    border: 1px solid transparent;
    background: transparent;
    color: inherit;
    font-size: var(--title);
    font-weight: 600;
    text-overflow: ellipsis;
  }

  input:hover,
  input:focus {
    border-color: var(--line);
    background: var(--sheet);
  }
</style>
