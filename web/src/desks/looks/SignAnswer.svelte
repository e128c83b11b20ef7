<!-- What a sign likely is at a stop: the check first, the causes with why, what feeding would do. -->
<script lang="ts">
  import { ask, client } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import Note from '../../ui/Note.svelte';
  import { looks } from './looks.svelte';

  const { standId, sign }: { standId: string; sign: string } = $props();
  const write = new Write();
  const found = $derived(looks.read.data?.sign.key === sign ? looks.read.data : null);
  const percent = (share: number) => `${Math.round(100 * share)} %`;

  function keep() {
    const body = { id: write.id(), stand_id: standId, sign, facts: {} };
    return write.send(() => ask(client.POST('/api/signs', { body })));
  }
</script>

<section aria-label="What it likely is" aria-live="polite">
  <Message problem={looks.read.problem} again={looks.read.again} />
  {#if found}
    <h2>Check first</h2>
    <p class="check">{found.check}</p>
    <h2>What it likely is <small>{found.who}</small></h2>
    <ol>
      {#each found.causes as cause (cause.cause)}
        <li>
          <b>{cause.cause}</b>
          <span class="share"
            ><meter min="0" max="1" value={cause.share} aria-hidden="true"></meter>
            {cause.likely}, {percent(cause.share)}</span
          >
          {#if cause.why.length}<p>{cause.why.join('. ')}.</p>{/if}
        </li>
      {/each}
    </ol>
    {#if found.feeding_helps}
      <Note severity="info" title="What feeding would do">{found.feeding_helps}</Note>
    {:else}
      <Note severity="care" title="No feed for this">The likeliest cause is no lack of food.</Note>
    {/if}
    {#if found.feeding_does_not}
      <p><b>Will not help:</b> {found.feeding_does_not}.</p>
    {/if}
    <p>{found.reversible} {found.caution}</p>
    <details>
      <summary>What Dace goes by: {found.facts.length} things that it knows of this stop</summary>
      <ul>
        {#each found.facts as fact (fact.name)}<li>{fact.text}</li>{/each}
      </ul>
    </details>
    <Message problem={write.problem} />
    <div>
      <Button writes look="go" disabled={write.busy} onclick={keep}
        >Keep it, and ask me later</Button
      >
    </div>
  {:else if !looks.read.problem}
    <p aria-busy="true">Looking it up…</p>
  {/if}
</section>

<style>
  section {
    display: grid;
    gap: var(--space-2);
  }

  h2 {
    font-size: var(--text-l);
  }

  small,
  .share,
  li p {
    color: var(--color-text-soft);
    font-size: var(--text-s);
    font-weight: 400;
  }

  .check {
    padding: var(--space-2) var(--space-3);
    border-left: 4px solid var(--color-go);
    background: var(--color-wish);
    font-size: var(--text-l);
  }

  ol {
    margin: 0;
    padding-left: var(--space-6);
  }

  li {
    padding: var(--space-1) 0;
    line-height: 1.35;
  }

  .share {
    display: block;
  }

  meter {
    width: 90px;
    height: 10px;
    vertical-align: 0;
  }

  summary {
    min-height: var(--touch);
    padding-top: 10px;
    cursor: pointer;
  }
</style>
