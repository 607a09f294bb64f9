import { unbroken } from './unbroken';

const parts = (words: string) => unbroken(words).split(' ');

test('a figure and its unit stay on one line, whatever the unit', () => {
  expect(parts('Known to be right: 8.5 g in 750 ml.')).toEqual([
    'Known',
    'to',
    'be',
    'right:',
    '8.5\u00a0g',
    'in',
    '750\u00a0ml.',
  ]);
  expect(parts('90 °C, 5 % off, 12 s late, 8 oz')).toEqual([
    '90\u00a0°C,',
    '5\u00a0%',
    'off,',
    '12\u00a0s',
    'late,',
    '8\u00a0oz',
  ]);
});
test('words after a figure may go on the next line', () => {
  expect(parts('3 cups and 2 great pots')).toHaveLength(6);
});
