/** What a box showed is sent along with what was typed over it. */
import { expect, test } from 'vitest';
import { shownBy, textOf, typedOver } from '../src/ui/typed';

test('a number typed over a number goes with what the box showed', () => {
  expect(typedOver('2 pt', '3')).toEqual({ text: '3', shown: '2 pt' });
  expect(textOf({ text: '3', shown: '2 pt' })).toBe('3');
});

test('a bare number keeps the unit that stood before it, a new unit takes its place', () => {
  expect(shownBy({ text: '3', shown: '2 pt' })).toBe('2 pt');
  expect(shownBy({ text: '1 ½', shown: '2 pt' })).toBe('2 pt');
  expect(shownBy({ text: '500 ml', shown: '2 pt' })).toBe('500 ml');
  expect(typedOver({ text: '500 ml', shown: '2 pt' }, '400')).toEqual({
    text: '400',
    shown: '500 ml',
  });
});
