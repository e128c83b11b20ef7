<!-- Anything else that a verdict asks for, with its reason. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import KindMark from '../../ui/KindMark.svelte';

  const { due }: { due: Schemas['RoundDueOut'] } = $props();
</script>

<section aria-label={due.name}>
  <h2><KindMark kind={due.kind} />{due.name}: {due.title}</h2>
  <p class="soft">{due.who}</p>
  <p>{due.headline} {due.reason === due.headline ? '' : due.reason}</p>
</section>

<style>
  section {
    display: grid;
    gap: var(--space-1);
    padding: var(--space-3) var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  h2 {
    display: flex;
    gap: var(--space-2);
    align-items: center;
    font-size: var(--text-l);
  }

  .soft {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
