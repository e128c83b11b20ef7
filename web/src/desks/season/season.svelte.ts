import { ask, client, type Schemas } from '../../api/client';
import { Resource } from '../../app/resource.svelte';

/** The Season desk's strips, and the page of the planting that is chosen. */
class Season {
  readonly strips = new Resource<Schemas['SeasonOut']>();
  readonly planting = new Resource<Schemas['PlantingOut']>();
  /** What is to come, and how the garden is fed. */
  readonly plan = new Resource<Schemas['PlanOut']>();
  /** Weeks shown after today; thirty in all. */
  ahead = $state(12);

  load(ahead: number): Promise<void> {
    const params = { query: { ahead } };
    return this.strips.load((signal) => ask(client.GET('/api/season', { params, signal })));
  }

  loadPlan(): Promise<void> {
    return this.plan.load((signal) => ask(client.GET('/api/plan', { signal })));
  }

  loadPage(planting_id: string): Promise<void> {
    if (this.planting.data?.id !== planting_id) this.planting.clear();
    const params = { path: { planting_id } };
    return this.planting.load((signal) =>
      ask(client.GET('/api/plantings/{planting_id}/page', { params, signal })),
    );
  }
}

export const season = new Season();
