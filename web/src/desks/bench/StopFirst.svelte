<!-- What must not meet in one can: said before she mixes. -->
<script lang="ts">
  import Note from '../../ui/Note.svelte';
  import type { Preview } from './bench.svelte';

  const { preview }: { preview: Preview } = $props();
  const clashes = $derived(
    preview.advice.filter((one) => one.key.startsWith('clash_') && one.severity === 'stop'),
  );
</script>

{#each clashes as one (one.key + one.title)}
  <div role="alert"><Note severity="stop" title={one.title}>{one.text}</Note></div>
{/each}
