<script lang="ts">
  import type { Snippet } from 'svelte';

  interface Props {
    href: string;
    /** `go` is the one thing to do next on a screen; `plain` everything else. */
    look?: 'go' | 'plain';
    /** It leads to a file rather than to a page. */
    download?: boolean;
    children: Snippet;
  }
  const { href, look = 'plain', download = false, children }: Props = $props();
</script>

<!-- A link to another page that stands among buttons. -->
<a {href} class={look} download={download ? '' : undefined}>{@render children()}</a>

<style>
  a {
    display: inline-flex;
    align-items: center;
    min-height: var(--touch);
    padding: 0 var(--space-4);
    border: 1px solid var(--color-edge);
    border-radius: var(--radius);
    color: inherit;
    font-weight: 550;
    text-decoration: none;
  }

  .go {
    border-color: transparent;
    background: var(--color-go);
    color: var(--color-on-go);
  }
</style>
