import { ask, client, type Problem, type Schemas } from '../../api/client';

/** The Season desk's strips, and the page of the planting that is chosen. */
class Season {
  data = $state<Schemas['SeasonOut'] | null>(null);
  page = $state<Schemas['PlantingOut'] | null>(null);
  problem = $state<Problem | null>(null);
  /** Weeks shown after today; thirty in all. */
  ahead = $state(12);
  private wanted = '';

  async load(ahead: number): Promise<void> {
    const reply = await ask(client.GET('/api/season', { params: { query: { ahead } } }));
    this.problem = reply.problem ?? null;
    if (reply.data) this.data = reply.data;
  }

  /** The newest planting asked for wins. */
  async loadPage(plantingId: string): Promise<void> {
    this.wanted = plantingId;
    if (this.page && this.page.id !== plantingId) this.page = null;
    const path = { planting_id: plantingId };
    const reply = await ask(client.GET('/api/plantings/{planting_id}/page', { params: { path } }));
    if (this.wanted !== plantingId) return;
    this.problem = reply.problem ?? null;
    if (reply.data) this.page = reply.data;
  }
}

export const season = new Season();
