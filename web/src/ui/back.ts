interface Marked {
  mark?: string;
}

const SPARE = 'spare';
let count = 0;

/**
 * Back closes what lies on top before it leaves the page. Closed otherwise, the step that stood for
 * it is spare, and the next sheet takes it: going back at once would end whatever is under way.
 */
export function onBack(close: () => void): () => void {
  const mark = `sheet ${(count += 1)}`;
  const state = () => history.state as (Marked & object) | null;
  const marked = { ...state(), mark };
  if (state()?.mark === SPARE) history.replaceState(marked, '');
  else history.pushState(marked, '');
  let gone = false;

  function back() {
    if (gone || state()?.mark === mark) return;
    gone = true;
    close();
  }

  addEventListener('popstate', back);
  return () => {
    removeEventListener('popstate', back);
    if (!gone && state()?.mark === mark) history.replaceState({ ...state(), mark: SPARE }, '');
  };
}
