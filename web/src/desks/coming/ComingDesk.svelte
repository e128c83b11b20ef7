<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Note from '../../ui/Note.svelte';
  import Page from '../../ui/Page.svelte';
</script>

<Page title="Round">
  <Note severity="school" title="This desk is still being built">
    It will hold: What to do today, one can after another, with a tick for each stop, and what waits
    and why.
  </Note>
  <p>
    <b>Meanwhile:</b> The path says when each stop was last fed, and the roots say which of them wants
    a feed, water or a flush.
  </p>
  <div><ButtonLink look="go" href="/roots{garden.search}">What the roots say</ButtonLink></div>
</Page>
