import { may } from '../ui/may.svelte';
import { away } from './away/away.svelte';
import { dropDrafts } from '../ui/drafts';
import { ask, client, onLapse, useToken, type Problem, type Schemas } from '../api/client';

/** Who is signed in. */
class Session {
  info = $state<Schemas['SessionOut'] | null>(null);
  problem = $state<Problem | null>(null);
  /** It ended while the page stood open: what is typed there waits. */
  lapsed = $state(false);
  /** Set-up and the like are the owner's; helpers pour, read and look. */
  owner = $derived(this.info?.owner ?? false);

  constructor() {
    onLapse(() => (this.lapsed = this.info?.signed_in ?? false));
  }

  async load(): Promise<void> {
    this.keep(await ask(client.GET('/api/session')));
  }

  async signIn(name: string, password: string): Promise<Problem | null> {
    return this.keep(await ask(client.POST('/api/sign-in', { body: { name, password } })));
  }

  async signUp(name: string, password: string, garden: string): Promise<Problem | null> {
    return this.keep(await ask(client.POST('/api/sign-up', { body: { name, password, garden } })));
  }

  async lookRound(): Promise<Problem | null> {
    return this.keep(await ask(client.POST('/api/demo')));
  }

  async join(token: string, name: string, password: string): Promise<Problem | null> {
    return this.keep(await ask(client.POST('/api/join', { body: { token, name, password } })));
  }

  /** Another password; this device stays signed in, with a token of its own. */
  async changePassword(old: string, password: string, end_doors: boolean): Promise<Problem | null> {
    const body = { old, password, end_doors };
    return this.keep(await ask(client.POST('/api/password', { body })));
  }

  /** For good: an owner's garden goes along. */
  async leave(password: string): Promise<Problem | null> {
    const { problem } = await ask(client.POST('/api/leave', { body: { password } }));
    if (problem) return problem;
    await away.forget();
    dropDrafts();
    location.assign('/');
    return null;
  }

  async signOutEverywhere(end_doors: boolean): Promise<void> {
    await ask(client.POST('/api/sign-out-everywhere', { body: { end_doors } }));
    await away.leave();
    dropDrafts();
    location.assign('/');
  }

  async signOut(): Promise<void> {
    const waits = away.waiting.length;
    const stay = `${waits} not sent yet would wait here until you sign in again. Sign out?`;
    if (waits && !this.info?.is_demo && !confirm(stay)) return;
    await ask(client.POST('/api/sign-out'));
    await (this.info?.is_demo ? away.forget() : away.leave()); // a visitor's copy goes with them
    dropDrafts();
    location.assign('/');
  }

  private keep(reply: { data?: Schemas['SessionOut']; problem?: Problem }): Problem | null {
    if (reply.data) {
      useToken(reply.data.csrf);
      const other = this.lapsed && reply.data.household !== this.info?.household;
      if (other && reply.data.signed_in) location.assign('/'); // another garden's page stands there
      this.lapsed = this.lapsed && !reply.data.signed_in;
      this.info = reply.data;
      may.write = reply.data.writes;
      const { signed_in, made_by, user, household, now } = reply.data;
      if (signed_in) void away.signedIn(made_by, now, `${user} ${household}`);
    }
    this.problem = reply.problem ?? null;
    return this.problem;
  }
}

export const session = new Session();
