// The words of docs/glossary.md, held in what people read: screens, prints and messages.
import { textsBelow } from './screenTexts';

/** Words that a reader in a second language stumbles over, each with what is said in its place. */
const BANNED: readonly (readonly [words: RegExp, instead: string])[] = [
  [/\breckon\w*/i, 'use, work out'],
  [/\ball the same\b/i, 'say what happens'],
  [/\b(came|comes?) of\b/i, 'result'],
  [/\bminded\b/i, 'measured, watched'],
  [/\bmade[- ]up\b/i, 'simulated'],
  [/\btold\b/i, 'says, shows'],
  [/\bat its best\b/i, 'best time'],
  [/\bof it\b/i, 'name the thing'],
  [/\bhand(ed|s)? (it )?in\b/i, 'submit'],
  [/\b(nothing|it|that|what) stands\b/i, 'is'],
];
const texts = textsBelow(process.cwd(), [
  'src/web',
  'src/server/features',
  'src/server/http',
  'src/core',
]);

test('there are texts to read', () => expect(texts.length).toBeGreaterThan(1000));
test.each(BANNED)('nobody reads %s; instead: %s', (words) =>
  expect(texts.filter((t) => words.test(t.text))).toEqual([]),
);
