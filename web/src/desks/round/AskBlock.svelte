<!-- One question, put to every stop that it is about, and answered in a press each or for all. -->
<script lang="ts">
  import { ask, client, type Schemas } from '../../api/client';
  import { garden } from '../../app/garden.svelte';
  import { goTo, keys } from '../../app/keys.svelte';
  import { saySalt, type SaltWord } from '../../app/saySalt';
  import { Write } from '../../app/write.svelte';
  import Button from '../../ui/Button.svelte';
  import StagePlate from '../../drawings/plants/StagePlate.svelte';
  import Message from '../../ui/Message.svelte';

  type Look = Schemas['RoundLookOut'];
  const SALT: [SaltWord, string][] = [
    ['crust', 'Yes'],
    ['clean', 'No'],
  ];
  const { asked }: { asked: Schemas['RoundAskOut'] } = $props();
  const write = new Write();
  const first = $derived(asked.looks.some((look) => look.first));
  const alone = $derived(asked.looks.length === 1);

  /** The first plants that are asked about, as they would look. */
  const pictured = $derived.by(() => {
    const look = asked.looks[0];
    if (asked.about !== 'stage' || !look) return null;
    const stands = garden.stops.flatMap((stop) => stop.stands);
    const stand = stands.find((one) => one.planting_id === look.planting_id);
    return stand && { stage: look.question.yes, grown: stand.grown };
  });

  function see(look: Look, stage: string) {
    const params = { path: { planting_id: look.planting_id ?? '' } };
    const body = { id: write.id(look.planting_id + stage), stage, on: null, sure: false };
    return write.send(() =>
      ask(client.POST('/api/plantings/{planting_id}/stage', { params, body })),
    );
  }

  async function noneYet() {
    for (const look of asked.looks) if (look.question.no) await see(look, look.question.no);
  }

  /** To the stop's own page on the Bench, where every stage can be said. */
  function further(look: Look) {
    const stop = garden.stops.find((one) => one.id === look.place_id);
    if (stop) garden.choose(stop);
    void goTo('/bench');
  }
</script>

<section class:first aria-label={asked.what}>
  {#if pictured}<StagePlate {...pictured} size={44} />{/if}
  <h2>{alone ? `${asked.looks[0]?.name}: ${asked.what}` : asked.what}</h2>
  <ul>
    {#each asked.looks as look (look.fill_id)}
      <li>
        {#if !alone}<b>{look.name}</b>{/if}
        {#if asked.about === 'stage'}
          <Button writes disabled={write.busy} onclick={() => see(look, look.question.yes)}>
            Yes<span class="unseen">, {look.name}</span>
          </Button>
          {#if look.question.no}
            <Button writes disabled={write.busy} onclick={() => see(look, look.question.no)}>
              Not yet<span class="unseen">, {look.name}</span>
            </Button>
          {/if}
          <Button writes look="quiet" onclick={() => further(look)}>
            Other<span class="unseen">, {look.name}</span>
          </Button>
        {:else if asked.about === 'crust'}
          {#each SALT as [word, said] (word)}
            <Button
              writes
              disabled={write.busy}
              onclick={() => saySalt(write, look.subject_id, word)}
            >
              {said}<span class="unseen">, {look.name}</span>
            </Button>
          {/each}
        {:else}
          <Button writes onclick={() => keys.read(look.subject_id)}>
            Read<span class="unseen">{` it, ${look.name}`}</span>
          </Button>
        {/if}
      </li>
    {/each}
  </ul>
  {#if asked.about === 'stage' && !alone}
    <Button writes disabled={write.busy} onclick={noneYet}>Not yet to all</Button>
  {/if}
  <Message problem={write.problem} />
</section>

<style>
  section {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-1) var(--space-3);
    align-items: center;
    padding: var(--space-2) var(--space-4);
    border: 1px solid var(--color-line);
    border-radius: var(--radius);
    break-inside: avoid;
  }

  .first {
    border-left: 4px solid var(--color-care);
    border-radius: 0 var(--radius) var(--radius) 0;
  }

  h2 {
    flex: 1 1 180px;
    font-size: var(--text-l);
    line-height: 1.25;
  }

  @media (width <= 700px) {
    h2 {
      font-size: 1.0625rem;
    }
  }

  ul {
    margin: 0;
    padding: 0;
    list-style: none;
  }

  li {
    display: flex;
    flex-wrap: wrap;
    gap: var(--space-2);
    align-items: center;
    padding: 2px 0;
  }

  li b {
    min-width: 9rem;
  }
</style>
