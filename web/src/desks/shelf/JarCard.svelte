<script lang="ts">
  import type { Schemas } from '../../api/client';
  import JarDrawing from '../../drawings/JarDrawing.svelte';
  import { dateInWords } from '../../ui/time';
  import ShelfItem from './ShelfItem.svelte';

  interface Props {
    jar: Schemas['ShelfOut']['jars'][number];
    goes: Schemas['GoesOut'] | undefined;
  }
  const { jar, goes }: Props = $props();
</script>

<ShelfItem href="/shelf/jar?jar={jar.id}">
  <JarDrawing share={jar.share} kind={jar.form === 'liquid' ? 'bottle' : 'jar'} />
  <span>
    <b>{jar.name}</b>
    <small>{jar.bottle ? 'home-made' : jar.grade}{jar.suits ? ` · ${jar.suits}` : ''}</small>
    <small>{jar.stock_text} left{jar.dissolves ? '' : ' · spread dry'}</small>
    {#if jar.stale}<strong>past its best</strong>{:else if jar.use_by}<small
        >best before {dateInWords(jar.use_by)}</small
      >{/if}
    {#if goes}<small>{goes.text}</small>{/if}
  </span>
</ShelfItem>
