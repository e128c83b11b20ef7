import { expect, test } from 'vitest';
import { asShown, typedOver } from '../src/ui/typed';

test('what a box shows, typed back bare or with its unit, is what it shows', () => {
  const same: [string, string][] = [
    ['2.01 g/gal', '2.01'],
    ['2.01 g/gal', '2.01 g/gal'],
    ['1 + 499', '499'],
    ['N 112 mg/L', '112'],
    ['1 ½ teaspoons', '1 ½'],
    ['2 pt', ' 2 '],
  ];
  for (const [shown, typed] of same) expect(asShown(shown, typed), typed).toBe(true);
  const other: [string, string][] = [
    ['2.01 g/gal', '2'],
    ['1 + 499', '1'],
    ['2 pt', '2 L'],
    ['2 pt', ''],
    ['', '2'],
  ];
  for (const [shown, typed] of other) expect(asShown(shown, typed), typed).toBe(false);
});

test('a box typed back holds what it held', () => {
  const held = { text: '2.1', shown: '2.113 pt' };
  expect(typedOver(held, '2.1')).toBe(held);
  expect(typedOver('2 pt', '3')).toEqual({ text: '3', shown: '2 pt' });
  expect(typedOver('2 pt', '12 fl oz')).toEqual({ text: '12 fl oz', shown: '2 pt' });
});
