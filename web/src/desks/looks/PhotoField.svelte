<!-- A photo to go with a look: taken with the phone, or chosen. -->
<script lang="ts">
  import Button from '../../ui/Button.svelte';

  let { file = $bindable() }: { file: File | null } = $props();
  const id = $props.id();
  let box: HTMLInputElement | undefined = $state();
  let shown = $state('');

  $effect(() => {
    if (!file) {
      if (box) box.value = '';
      return;
    }
    const address = URL.createObjectURL(file);
    shown = address;
    return () => {
      URL.revokeObjectURL(address);
      shown = '';
    };
  });
</script>

<div class="photo">
  <label for={id}>A photo <small>with the same white card, from as far away</small></label>
  <input
    {id}
    type="file"
    accept="image/*"
    bind:this={box}
    onchange={(event) => (file = event.currentTarget.files?.[0] ?? null)}
  />
  {#if shown && file}
    <img src={shown} alt="What will be kept: {file.name}" />
    <Button look="quiet" onclick={() => (file = null)}>Without it</Button>
  {/if}
</div>

<style>
  .photo {
    display: grid;
    gap: var(--space-1);
    justify-items: start;
    margin-block: var(--space-2);
  }

  small {
    color: var(--color-text-soft);
  }

  input {
    min-height: var(--touch);
    max-width: 100%;
    padding-top: 8px;
  }

  img {
    max-width: 160px;
    max-height: 120px;
    border-radius: var(--radius);
  }
</style>
