<!-- What gets nothing today, and why. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    waits: Schemas['RoundWaitOut'][];
    /** When leaves may be sprayed. */
    leaves: string;
  }
  const { waits, leaves }: Props = $props();
</script>

{#if waits.length || leaves}
  <section aria-labelledby="waits">
    <h2 id="waits">What waits, and why</h2>
    <ul>
      {#each waits as wait (wait.name)}
        <li>
          <a href="/bench?stop={wait.place_id}"><b>{wait.name}</b> <span>{wait.who}</span></a>
          <p>{wait.why}</p>
        </li>
      {/each}
      {#if leaves}<li>
          <b>Leaf sprays</b>
          <p>{leaves}</p>
        </li>{/if}
    </ul>
  </section>
{/if}

<style>
  h2 {
    margin-bottom: var(--space-1);
    font-size: var(--text-l);
  }

  ul {
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
    gap: 0 var(--space-6);
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    padding: var(--space-2) 0;
    border-top: 1px solid var(--color-line);
    line-height: 1.35;
  }

  a {
    display: inline-block;
    min-height: 24px;
    color: inherit;
  }

  span {
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }
</style>
