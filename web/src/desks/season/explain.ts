import { working } from '../../app/working.svelte';
import type { Schemas } from '../../api/client';

/** How a nutrient's need and supply were got, in the working pane. */
export function explain(balance: Schemas['BalanceOut']): void {
  working.show({
    title: `${balance.nutrient}: what it takes and what it could reach`,
    steps: [...balance.need.working, ...balance.reached.working],
  });
  working.open();
}

/** How a stage's next start follows. */
export function explainStage(page: Schemas['PlantingOut']): void {
  working.show({ title: `${page.stage}: where it stands`, steps: page.stage_working.working });
  working.open();
}
