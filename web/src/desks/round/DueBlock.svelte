<!-- Anything else that a verdict asks for, with its reason. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import ActBlock from './ActBlock.svelte';

  const { due }: { due: Schemas['RoundDueOut'] } = $props();
  const line = $derived(
    due.reason === due.headline ? due.headline : `${due.headline} ${due.reason}`,
  );
</script>

<ActBlock title="{due.name}: {due.title}" {line} tone="care">
  {#snippet acts()}<ButtonLink href="/bench?stop={due.place_id}">See it</ButtonLink>{/snippet}
</ActBlock>
