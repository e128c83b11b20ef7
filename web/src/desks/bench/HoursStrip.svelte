<!-- The hours from now on that are open, and what shuts the others. -->
<script lang="ts">
  import type { Schemas } from '../../api/client';

  interface Props {
    hours: Schemas['HoursOut'];
    route: 'leaves' | 'roots' | 'dry';
  }
  const { hours, route }: Props = $props();
  const DAY = 24;
  const id = $props.id();
  const row = $derived(hours.routes.find((one) => one.route === route));
  const ahead = $derived((row?.hours ?? []).slice(hours.now, hours.now + DAY));
  const clock = (at: number) => `${String(at % DAY).padStart(2, '0')}:00`;
  let at = $state(0);
  const chosen = $derived(ahead[Math.min(at, ahead.length - 1)]);
  const said = (hour: Schemas['HourOut']) =>
    `${clock(hour.at)}${hour.at >= DAY ? ' tomorrow' : ''}: ${hour.open ? 'open' : hour.why}`;

  function onkey(event: KeyboardEvent) {
    const by = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
    if (!by) return;
    event.preventDefault();
    at = Math.min(ahead.length - 1, Math.max(0, at + by));
  }
</script>

{#if row && !chosen}
  <section aria-label="When to do it"><h2>{row.text}</h2></section>
{:else if row && chosen}
  <section aria-label="Open hours">
    <h2>{row.text}</h2>
    <div
      class="strip"
      role="listbox"
      tabindex="0"
      aria-label="Hours of the next day"
      aria-activedescendant="{id}-{at}"
      onkeydown={onkey}
    >
      {#each ahead as hour, index (hour.at)}
        <!-- svelte-ignore a11y_click_events_have_key_events -->
        <span
          id="{id}-{index}"
          role="option"
          tabindex="-1"
          aria-selected={index === at}
          aria-label={said(hour)}
          class:open={hour.open}
          class:here={index === at}
          title={said(hour)}
          onclick={() => (at = index)}
        ></span>
      {/each}
    </div>
    <ol aria-hidden="true">
      {#each ahead as hour (hour.at)}<li>{hour.at % 6 === 0 ? hour.at % DAY : ''}</li>{/each}
    </ol>
    <p aria-live="polite">{said(chosen)} <small>{hours.source}</small></p>
  </section>
{/if}

<style>
  h2 {
    font-size: 1.0625rem;
  }

  .strip {
    display: flex;
    gap: 2px;
    margin-top: var(--space-1);
    border-radius: 4px;
  }

  span {
    flex: 1;
    min-width: 0;
    height: 34px;
    border: 1px solid var(--color-line);
    border-radius: 3px;
    background: repeating-linear-gradient(
      135deg,
      var(--color-panel-low) 0 4px,
      var(--color-line) 4px 5px
    );
    cursor: pointer;
  }

  .open {
    border-color: var(--color-go);
    background: var(--color-go);
  }

  .here {
    border: 2px solid var(--color-text);
  }

  ol {
    display: flex;
    gap: 2px;
    margin: 0;
    padding: 0;
    list-style: none;
    font-size: var(--text-s);
    line-height: 1.1;
  }

  li {
    flex: 1;
    width: 0;
  }

  p {
    min-height: 2.6em;
    margin-top: 2px;
    font-size: var(--text-s);
  }

  small {
    display: block;
    color: var(--color-text-soft);
    font-size: inherit;
  }
</style>
