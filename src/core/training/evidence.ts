import type { EpochMs } from '#core/units';
import { wilson } from './wilson';

/** An answer as far as evidence goes. */
export type Answered = {
  readonly at: EpochMs;
  /** The site's day, ISO. */
  readonly day: string;
  /** Of the drill, 1 to 5. */
  readonly level: number;
  /** 0 to 1. */
  readonly credit: number;
  /** The chance of a blind choice. */
  readonly guess: number;
};
export type Lack = 'answers' | 'days' | 'bound';
/** What the last answers can mean at the least. A sign to look, no verdict. */
export type Evidence = {
  readonly n: number;
  readonly credit: number;
  readonly guess: number;
  /** The least share of true knowledge that these answers allow, one-sided 95 %, guessing taken off: 0 to 1. */
  readonly bound: number;
  readonly days: number;
  readonly enough: boolean;
  readonly lacks: readonly Lack[];
};

/** Only answers at the level of the work count: easier and harder ones keep everybody near four in five. */
export const LEVEL_OF_WORK = 3;
const DAY_MS = 86_400_000;
const COUNTED_DAYS = 120;
const COUNTED = 30;
const FEWEST = 20;
const FEWEST_DAYS = 3;
export const ENOUGH = 0.8;

/** Evidence of one skill from its answers, in any order. */
export function evidenceOf(answers: readonly Answered[], now: EpochMs): Evidence {
  const counted = answers
    .filter((a) => a.level === LEVEL_OF_WORK && a.at <= now && a.at >= now - COUNTED_DAYS * DAY_MS)
    .sort((a, b) => b.at - a.at)
    .slice(0, COUNTED);
  const n = counted.length;
  const credit = counted.reduce((sum, a) => sum + a.credit, 0);
  const guess = n === 0 ? 0 : counted.reduce((sum, a) => sum + a.guess, 0) / n;
  const bound = n === 0 ? 0 : Math.max(0, (wilson(credit, n).low - guess) / (1 - guess));
  const days = new Set(counted.map((a) => a.day)).size;
  const lacks: Lack[] = [
    ...(n < FEWEST ? (['answers'] as const) : []),
    ...(days < FEWEST_DAYS ? (['days'] as const) : []),
    ...(bound < ENOUGH ? (['bound'] as const) : []),
  ];
  return { n, credit, guess, bound, days, enough: lacks.length === 0, lacks };
}
