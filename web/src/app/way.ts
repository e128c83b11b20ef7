import type { PagePath } from './desks';

type Go = (path: PagePath, how: { search: Record<string, string> }) => Promise<unknown>;

let go: Go = () => Promise.resolve();

/** The router gives the way, so that no page needs to know the router that shows it. */
export function useWay(given: Go): void {
  go = given;
}

/** To another page, with what its address says. */
export async function navigate(path: PagePath, search: Record<string, string> = {}): Promise<void> {
  await go(path, { search });
}
