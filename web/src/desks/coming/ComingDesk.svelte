<script lang="ts">
  import { garden } from '../../app/garden.svelte';
  import { route } from '../../app/router';
  import ButtonLink from '../../ui/ButtonLink.svelte';
  import Note from '../../ui/Note.svelte';
  import Page from '../../ui/Page.svelte';

  interface Desk {
    title: string;
    will: string;
    meanwhile: string;
    to: string;
    link: string;
  }

  const DESKS: Record<string, Desk> = {
    '/round': {
      title: 'Round',
      will: 'What to do today, one can after another, with a tick for each stop, and what waits and why.',
      meanwhile:
        'The path says when each stop was last fed, and the roots say which of them wants a feed, water or a flush.',
      to: '/roots',
      link: 'What the roots say',
    },
  };

  const ELSEWHERE: Desk = {
    title: 'Nothing stands here',
    will: 'This address leads to no desk.',
    meanwhile: 'The Bench is where a can is worked out.',
    to: '/bench',
    link: 'To the Bench',
  };

  const desk = $derived(DESKS[route.pathname] ?? ELSEWHERE);
</script>

<Page title={desk.title}>
  {#if desk !== ELSEWHERE}
    <Note severity="school" title="This desk is still being built">It will hold: {desk.will}</Note>
  {:else}
    <p>{desk.will}</p>
  {/if}
  <p><b>Meanwhile:</b> {desk.meanwhile}</p>
  <div><ButtonLink look="go" href="{desk.to}{garden.search}">{desk.link}</ButtonLink></div>
</Page>
