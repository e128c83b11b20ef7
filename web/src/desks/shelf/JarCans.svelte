<script lang="ts">
  import type { Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow } from '../../app/resource.svelte';
  import JarDrawing from '../../drawings/JarDrawing.svelte';
  import { Goes } from './goes.svelte';

  interface Props {
    jar: Schemas['JarPageOut'];
  }
  const { jar }: Props = $props();
  const going = new Goes();
  const goes = $derived(going.of(jar.id));

  follow(
    () => garden.version,
    () => void going.load(),
  );
</script>

<!-- How full it is, and which stops a can of it suits today. -->
<div class="head">
  <JarDrawing share={jar.share} kind={jar.form === 'liquid' ? 'bottle' : 'jar'} />
  <div>
    <h2>A can of it today</h2>
    {#if jar.suits.length}
      <ul class="cans">
        {#each jar.suits as can (can.spot)}
          <li>
            <a href="/bench?stop={can.place_id}&jar={jar.id}"><b>{can.spot}</b></a>: {can.text}{can.first
              ? ''
              : ', though another suits better'}
          </li>
        {/each}
      </ul>
    {:else}
      <p>No stop wants it today.</p>
    {/if}
    {#if goes}<p>{goes.text} {goes.left}</p>{/if}
    {#if jar.usual.length}<p>Usually {jar.usual.join(', ')}.</p>{/if}
    {#if jar.not_for.length}<p>Never on {jar.not_for.join(', nor on ')}.</p>{/if}
    {#if jar.cost_of_can}<p>A can of it costs {jar.cost_of_can}.</p>{/if}
  </div>
</div>

<style>
  h2 {
    font-size: var(--text-l);
  }

  .head {
    display: flex;
    gap: var(--space-6);
    align-items: flex-start;
  }

  .cans {
    margin: 0;
    padding-left: var(--space-4);
  }

  .cans li {
    min-height: var(--touch);
  }
</style>
