import { afterEach, expect, test } from 'vitest';
import { onBack } from '../src/ui/back';

const mark = () => (history.state as { mark?: string } | null)?.mark;
afterEach(() => history.replaceState(null, ''));

function back() {
  history.replaceState(null, ''); // as the browser has it once one step back is taken
  dispatchEvent(new PopStateEvent('popstate'));
}

test('Back closes a sheet once, and nothing after it', () => {
  let closed = 0;
  onBack(() => (closed += 1));
  back();
  back();
  expect(closed).toBe(1);
});

test('a sheet that was closed leaves its step to the next one', () => {
  const before = history.length;
  const forget = onBack(() => undefined);
  forget();
  expect(mark()).toBe('spare');
  onBack(() => undefined);
  expect(mark()).not.toBe('spare');
  expect(history.length).toBe(before + 1);
});

test('the one on top is closed, the one below stays', () => {
  const closed: string[] = [];
  onBack(() => closed.push('below'));
  const below = { ...(history.state as object) };
  onBack(() => closed.push('above'));
  history.replaceState(below, '');
  dispatchEvent(new PopStateEvent('popstate'));
  expect(closed).toEqual(['above']);
});
