let count = 0;
const RESTS_MS = 1500; // whoever closes a sheet to go elsewhere has gone by then

/**
 * Back closes what lies on top before it leaves the page. Closed otherwise, the step that stood
 * for it is taken back, unless one went elsewhere meanwhile.
 */
export function onBack(close: () => void): () => void {
  const mark = `sheet ${(count += 1)}`;
  history.pushState({ ...(history.state as object | null), mark }, '');
  const isTop = () => (history.state as { mark?: string } | null)?.mark === mark;
  let gone = false;

  function back() {
    if (gone || isTop()) return;
    gone = true;
    close();
  }

  addEventListener('popstate', back);
  return () => {
    removeEventListener('popstate', back);
    if (!gone) setTimeout(() => isTop() && history.back(), RESTS_MS);
  };
}
