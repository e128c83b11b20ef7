import { expect, test } from 'vitest';
import { keepFocusNear, nearest, watchFocus } from '../src/app/focus';

const LIST = ['one', 'two', 'three'];
const but = (gone: string[]) => (name: string) => !gone.includes(name);

test('the focus goes to what follows, at the end to what stood before', () => {
  expect(nearest(LIST, 'two', but([]))).toBe('two');
  expect(nearest(LIST, 'two', but(['two']))).toBe('three');
  expect(nearest(LIST, 'three', but(['three']))).toBe('two');
  expect(nearest(LIST, 'two', but(LIST))).toBeNull();
  expect(nearest(LIST, 'four', but([]))).toBeNull();
});

function list(): [HTMLElement, HTMLElement, HTMLElement] {
  watchFocus();
  document.body.innerHTML = `<main>${LIST.map((name) => `<button>${name}</button>`).join('')}</main>`;
  const [one, two, three] = document.querySelectorAll('button');
  if (!one || !two || !three) throw new Error('three buttons');
  return [one, two, three];
}

test('a button that went away leaves the focus with its neighbour', async () => {
  const [, two, three] = list();
  two.focus();
  await keepFocusNear(() => two.remove());
  expect(document.activeElement).toBe(three);
});

test('a button that was moved, or rested and works again, has the focus again', async () => {
  const [one, two] = list();
  one.focus();
  await keepFocusNear(() => {
    one.blur();
    two.after(one);
  });
  expect(document.activeElement).toBe(one);
});

test('what the hand has moved to meanwhile keeps the focus', async () => {
  const [one, two, three] = list();
  one.focus();
  await keepFocusNear(() => {
    one.remove();
    three.focus();
  });
  expect(document.activeElement).toBe(three);
  expect(two.isConnected).toBe(true);
});
