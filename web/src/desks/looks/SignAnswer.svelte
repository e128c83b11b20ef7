<!-- What a sign likely is at a stop: the causes with why, the check to do first, what feeding would do. -->
<script lang="ts">
  import { ask, client } from '../../api/client';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import Message from '../../ui/Message.svelte';
  import { looks } from './looks.svelte';

  const { standId, sign }: { standId: string; sign: string } = $props();
  const write = new Write();
  const found = $derived(looks.read.data?.sign.key === sign ? looks.read.data : null);
  const lowered = (said: string) => said.charAt(0).toLowerCase() + said.slice(1);
  const percent = (share: number) => `${Math.round(100 * share)} %`;

  function keep() {
    const body = { id: write.id(), stand_id: standId, sign, facts: {} };
    return write.send(() => ask(client.POST('/api/signs', { body })));
  }
</script>

<section aria-label="What it likely is" aria-live="polite">
  <Message problem={looks.read.problem} again={looks.read.again} />
  {#if found}
    <h2>Likely, in this order</h2>
    <ol>
      {#each found.causes as cause (cause.cause)}
        <li>
          <b>{cause.cause}</b>
          <span class="bar" aria-hidden="true"
            ><i class:food={cause.kind === 'nutrition'} style:--share={cause.share}></i></span
          >
          <span class="share">{percent(cause.share)}</span>
          {#if cause.why.length}
            <small>{cause.why.join('. ')}.</small>
          {:else if cause.against.length}
            <small>Against it: {cause.against.map(lowered).join('; ')}.</small>
          {/if}
        </li>
      {/each}
    </ol>
    <div class="check">
      <h2>Check first</h2>
      <p>{found.check}.</p>
    </div>
    <div class="two">
      <div class="helps">
        <h3>{found.feeding_helps ? 'What helps' : 'No feed for this'}</h3>
        <p>{found.feeding_helps || 'The likeliest cause is no lack of food.'}</p>
      </div>
      {#if found.feeding_does_not}
        <div class="not">
          <h3>What does not</h3>
          <p>{found.feeding_does_not}.</p>
        </div>
      {/if}
    </div>
    <p class="soft">{found.reversible} {found.caution}</p>
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

  h3 {
    font-size: var(--text-m);
  }

  .soft {
    color: var(--color-text-soft);
  }

  p {
    margin: 0;
    line-height: 1.35;
  }

  ol {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) 120px 48px;
    gap: 0 var(--space-3);
    align-items: center;
    padding: var(--space-2) 0;
    border-bottom: 1px dashed var(--color-line);
    line-height: 1.3;
  }

  .bar {
    height: 14px;
    border-radius: 7px;
    background: var(--color-line);
  }

  .bar i {
    display: block;
    width: calc(100% * var(--share));
    height: 100%;
    border-radius: 7px;
    background: var(--color-rim);
  }

  /* food is told by its stripes as well as by its colour */
  .bar .food {
    background: repeating-linear-gradient(
      60deg,
      var(--color-go) 0 5px,
      var(--color-wish-edge) 5px 9px
    );
  }

  .share {
    font-weight: 600;
    text-align: right;
  }

  small {
    grid-column: 1 / -1;
    color: var(--color-text-soft);
    font-size: var(--text-s);
  }

  .check {
    padding: var(--space-2) var(--space-3);
    border: 2px solid var(--color-rim);
    border-radius: var(--radius);
    background: var(--color-rim-tint);
  }

  .two {
    display: grid;
    grid-template-columns: repeat(auto-fit, minmax(200px, 1fr));
    gap: var(--space-2);
  }

  .two > div {
    padding: var(--space-1) var(--space-3);
    border-left: 4px solid var(--color-go);
    background: var(--color-wish);
  }

  .two .not {
    border-left-color: var(--color-edge);
    background: var(--color-panel-low);
  }

  summary {
    min-height: var(--touch);
    padding-top: 10px;
    cursor: pointer;
  }
</style>
