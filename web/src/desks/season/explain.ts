import { working } from '../../app/working.svelte';
import { dateShort } from './strips';
import type { Schemas } from '../../api/client';

/** How a nutrient's need and supply were got, in the working pane. */
export function explain(balance: Schemas['BalanceOut']): void {
  working.show({
    title: `${balance.nutrient}: what it takes and what it could reach`,
    steps: [...balance.need.working, ...balance.reached.working],
  });
  working.open();
}

/** Why a feed is to come on its day, in the working pane. */
export function explainComing(event: Schemas['PlanEventOut']): void {
  const [plain, ...also] = event.why;
  const nitrogen = event.nitrogen_text ? ` ${event.nitrogen_text}.` : '';
  working.show({
    title: `${event.name}, ${dateShort(event.on)}`,
    plain: `${event.text}.`,
    also: [plain, ...also].join(' ') + nitrogen,
    steps: event.working,
  });
  working.open();
}

/** How a stage's next start follows. */
export function explainStage(page: Schemas['PlantingOut']): void {
  working.show({ title: `${page.stage}: where it stands`, steps: page.stage_working.working });
  working.open();
}
