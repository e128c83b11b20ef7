<!-- Photos of a stop along a strip, and two dates side by side. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { follow, Resource } from '../../app/resource.svelte';
  import Message from '../../ui/Message.svelte';
  import { dateOf } from '../../ui/time';
  import { firstPair, photoAt } from './photos';

  const { placeId }: { placeId: string } = $props();
  const read = new Resource<Schemas['PhotosOut']>();
  const zone = $derived(garden.path?.zone ?? 'UTC');
  const photos = $derived(read.data?.photos ?? []);
  let chosen = $state<[string, string] | null>(null);
  const pair = $derived(chosen ?? firstPair(photos));
  const both = $derived(
    pair.flatMap((id) => {
      const one = photos.find((photo) => photo.id === id);
      return one ? [one] : [];
    }),
  );
  const said = (photo: Schemas['PhotoOut']) => `${photo.name}, ${dateOf(photo.taken_at, zone)}`;

  follow(
    () => [placeId, garden.version] as const,
    ([place_id]) => {
      const params = { query: { place_id } };
      void read.load((signal) => ask(client.GET('/api/photos', { params, signal })));
    },
  );
  follow(
    () => placeId,
    () => (chosen = null),
  );

  /** The one pressed takes the later place; the later one moves to the earlier. */
  function choose(id: string) {
    if (id !== pair[1]) chosen = [pair[1], id];
  }
</script>

<Message problem={read.problem} again={read.again} />
{#if photos.length}
  <section aria-label="Photos">
    <h2>Photos</h2>
    {#if photos.length > 1}
      <div class="two">
        {#each both as photo, at (at)}
          <figure>
            <img
              src={photoAt(photo.id)}
              alt={said(photo)}
              width={photo.width}
              height={photo.height}
            />
            <figcaption>{said(photo)}</figcaption>
          </figure>
        {/each}
      </div>
      <p class="soft">Press one below to set it beside the last you chose.</p>
    {/if}
    <ul>
      {#each photos as photo (photo.id)}
        <li>
          <button
            type="button"
            aria-pressed={pair.includes(photo.id)}
            onclick={() => choose(photo.id)}
          >
            <img src={photoAt(photo.id, 'small')} alt={said(photo)} loading="lazy" />
            <span>{dateOf(photo.taken_at, zone)}</span>
          </button>
        </li>
      {/each}
    </ul>
  </section>
{/if}

<style>
  h2 {
    margin-block: var(--space-3) var(--space-2);
    font-size: var(--text-l);
  }

  .two {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(min(260px, 100%), 1fr));
    gap: var(--space-3);
  }

  figure {
    margin: 0;
  }

  figure img {
    width: 100%;
    height: auto;
    border-radius: var(--radius);
  }

  figcaption,
  .soft,
  span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  ul {
    display: flex;
    gap: var(--space-2);
    margin: 0;
    padding: 4px;
    overflow-x: auto;
    list-style: none;
  }

  button {
    display: grid;
    gap: 2px;
    padding: 4px;
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    background: none;
    cursor: pointer;
  }

  button[aria-pressed='true'] {
    border-color: var(--color-rim);
    box-shadow: inset 0 0 0 1px var(--color-rim);
  }

  button img {
    width: 120px;
    height: 90px;
    border-radius: calc(var(--radius) - 2px);
    object-fit: cover;
  }
</style>
