import { minutesText } from '#core/units';
import {
  againFigure,
  type AgainGiven,
  type AgainMistake,
  steepAfter,
  strengthAfter,
} from './again';
import type { FigureWords } from './drill';
import { g, ml } from './figureWords';

// How the next steep of the same leaf is asked and worked out, in words.

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth'];
const ordinal = (n: number): string => ORDINALS[n - 1] ?? `${n}th`;

function knownWords({ cup, past, later, root, inBags }: AgainGiven): string {
  const steeps = past.map((s, i) => `${ordinal(i + 1)} ${minutesText(s)}`).join(', ');
  const written = later.map((w, i) => `${ordinal(i + 2)} ${minutesText(w.best)}`).join(', ');
  return [
    `${g(cup.leafGrams)}${inBags ? ' in bags' : ''}, ${ml(cup.waterMl)}. Steeped: ${steeps}.`,
    written && `House recipe: ${written}.`,
    root > 0 && `A quarter of the liquor stays under the leaf each time.`,
  ]
    .filter(Boolean)
    .join(' ');
}
const MISTAKES: Readonly<Record<AgainMistake, string>> = {
  same: 'this is the last steep again: used leaf needs a longer steep',
  half: 'half of the last steep is right only for small pots with much leaf',
  sum: 'this is all the steeps together',
};
function workingOf(given: AgainGiven): string[] {
  const next = steepAfter(given);
  if (next.kind === 'spent') return [next.why];
  const share = Math.round(100 * next.strength);
  return [
    next.by === 'recipe'
      ? `The house recipe says ${minutesText(next.window.best)}.`
      : `As strong as the first cup comes in ${minutesText(next.window.best)}.`,
    `That cup has ${share} % of the strength of the first.`,
  ];
}
function inCup(given: AgainGiven, value: number): string {
  const next = steepAfter(given);
  if (next.kind === 'spent') return '';
  const best = strengthAfter(given, next.window.best);
  const off = strengthAfter(given, Math.max(5, value)) / best - 1;
  const share = Math.round(100 * Math.abs(off));
  if (share === 0) return 'The cup is right.';
  return `The cup is ${share} % ${off > 0 ? 'stronger' : 'weaker'} than the right cup.`;
}
/** Ends of the rule, s. */
const ENDS = [300, 600, 900];

export function againWords(given: AgainGiven): FigureWords {
  const figure = againFigure(given);
  const sum = given.past.reduce((a, b) => a + b, 0);
  const most = ENDS.find((s) => s >= 1.2 * Math.max(figure.truth, sum)) ?? 900;
  const isSpentAsked = given.level === 5;
  return {
    ...{ tea: given.cup.tea, known: knownWords(given) },
    asked: `The same leaf is steeped a ${ordinal(given.past.length + 1)} time.`,
    ...{ question: 'How long?', name: 'Steep', unit: 'min' },
    rule: { least: 0, most, step: 5, tick: most > 300 ? 120 : 60 },
    ...{ text: minutesText, perTyped: 60 },
    ...{ working: workingOf(given), lesson: 'Each steep takes longer than the one before it.' },
    mistake: (id) => MISTAKES[id as AgainMistake],
    inCup: (value) => inCup(given, value),
    cannot: isSpentAsked ? 'Not again: the leaf is spent' : null,
  };
}
