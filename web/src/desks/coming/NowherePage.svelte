<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Page from '../../ui/Page.svelte';
</script>

<Page title="Nothing stands here">
  <p>This address leads to no desk. The Bench is where a can is worked out.</p>
  <div><ButtonLink look="go" href="/bench{garden.search}">To the Bench</ButtonLink></div>
</Page>
