const BEGINS = 'dace.draft.';

/** What was typed and not yet written: it outlives a reload, not the tab or the session. */
export function draftOf<T>(name: string): T | null {
  try {
    const kept = sessionStorage.getItem(BEGINS + name);
    return kept === null ? null : (JSON.parse(kept) as T);
  } catch {
    return null; // no storage, or not ours
  }
}

export function keepDraft(name: string, typed: unknown): void {
  try {
    sessionStorage.setItem(BEGINS + name, JSON.stringify(typed));
  } catch {
    // without storage a reload begins anew, and nothing else is lost
  }
}

export function dropDrafts(name = ''): void {
  try {
    for (const key of Object.keys(sessionStorage))
      if (key.startsWith(BEGINS + name)) sessionStorage.removeItem(key);
  } catch {
    // nothing was kept
  }
}
