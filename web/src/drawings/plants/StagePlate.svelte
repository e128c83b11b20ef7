<!-- What grows as it looks at a stage; an empty pot where nothing does. -->
<script lang="ts">
  import Plate from './Plate.svelte';
  import { potMarks, type Grown } from './plant';
  import { stageMarks } from './stage';

  interface Props {
    stage: string | undefined;
    /** Missing in what an older version kept on the device, too. */
    grown: Grown | undefined;
    size?: number;
  }
  const { stage, grown, size = 64 }: Props = $props();
  const marks = $derived(stage && grown ? stageMarks(stage, grown) : potMarks());
</script>

<Plate {marks} {size} />
