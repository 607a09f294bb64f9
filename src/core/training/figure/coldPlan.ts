import { pick, type Random } from '#core/numeric';
import { type StyleId, styleOf } from '#core/styles';
import type { Level } from '../diagnosis/diagnosis';
import { drawnFair } from '../drawnFair';
import { type Band, bandAbout, type Figure, type Mistake, toDigits } from './figures';

// A cold tea for a service: when its leaf goes in, how much of it, and how many pitchers.

export type ColdTea = {
  readonly tea: string;
  readonly style: StyleId;
  readonly doseGPer100Ml: number;
  /** From leaf in to leaf out, h. */
  readonly earliestH: number;
  readonly latestH: number;
};
export type Pitcher = {
  readonly name: string;
  readonly fillLineMl: number;
  readonly brimMl: number;
};
export type PlanAsk = 'time' | 'leaf' | 'pitchers';
export type PlanGiven = {
  readonly cold: ColdTea;
  readonly pitcher: Pitcher;
  /** How long it is chilled after its leaf is out, h. */
  readonly chillH: number;
  /** Minutes from midnight before the day of the service. */
  readonly serviceAt: number;
  /** Minutes of a day in which somebody is there. */
  readonly open: { readonly from: number; readonly to: number };
  readonly glasses: number;
  readonly glassMl: number;
  readonly ask: PlanAsk;
  readonly level: Level;
};
export type PlanMistake = 'fromOpening' | 'latestAsBest' | 'noChill' | 'leafDrinks' | 'toTheBrim';

const HOUR = 60;
export const DAY_MINUTES = 24 * HOUR;
const NEAR_MINUTES = HOUR;
const RIGHT_LEAF = { by: 0.2, share: 0.03 };
const NEAR_LEAF = { by: 0.4, share: 0.08 };
/** A stretch somebody can hit, min. */
const LEAST_STRETCH = 30;

/** When the leaf may go in: in its window before the service, while somebody is there; one stretch, or none. */
export function leafInStretch({ cold, chillH, serviceAt, open }: PlanGiven): Band | null {
  const window = [cold.latestH, cold.earliestH].map((h) => serviceAt - (chillH + h) * HOUR);
  const [first = 0, last = 0] = window;
  const days = [0, 1].flatMap((day): Band[] => {
    const from = Math.max(first, day * DAY_MINUTES + open.from);
    const to = Math.min(last, day * DAY_MINUTES + open.to);
    return to - from >= LEAST_STRETCH ? [[from, to]] : [];
  });
  // Two stretches would be two answers.
  return days.length === 1 ? (days[0] ?? null) : null;
}
/** Liquor that one pitcher gives, ml: its fill less what the leaf keeps. */
export function liquorOfPitcher({ cold, pitcher }: PlanGiven): number {
  const leaf = (cold.doseGPer100Ml * pitcher.fillLineMl) / 100;
  return pitcher.fillLineMl - styleOf(cold.style).held * leaf;
}
const pitchersFor = (given: PlanGiven, perPitcher: number): number =>
  Math.ceil((given.glasses * given.glassMl) / perPitcher - 1e-9);

function timeFigure(given: PlanGiven): Figure<PlanMistake> | null {
  const stretch = leafInStretch(given);
  if (!stretch) return null;
  const { cold, chillH, serviceAt, open } = given;
  const best = serviceAt - (chillH + (cold.earliestH + cold.latestH) / 2) * HOUR;
  const truth = Math.min(stretch[1], Math.max(stretch[0], best));
  const near: Band = [stretch[0] - NEAR_MINUTES, stretch[1] + NEAR_MINUTES];
  const mistakes: Mistake<PlanMistake>[] = [
    { id: 'fromOpening', value: DAY_MINUTES + open.from },
    { id: 'latestAsBest', value: serviceAt - (chillH + 2 * cold.latestH - cold.earliestH) * HOUR },
    ...(chillH > 0 ? [{ id: 'noChill' as const, value: serviceAt - cold.earliestH * HOUR }] : []),
  ];
  const isWrong = ({ value }: Mistake) => value > 0 && (value < near[0] || value > near[1]);
  return {
    ...{ truth, shown: 5 * Math.round(truth / 5), right: stretch, near },
    ...{ mistakes: mistakes.filter(isWrong), distractors: [] },
  };
}
function leafFigure(given: PlanGiven): Figure<PlanMistake> {
  const { cold, pitcher } = given;
  const truth = (cold.doseGPer100Ml * pitcher.fillLineMl) / 100;
  const brim = toDigits((cold.doseGPer100Ml * pitcher.brimMl) / 100, 1);
  const near = bandAbout(truth, NEAR_LEAF);
  return {
    ...{ truth, shown: toDigits(truth, 1), right: bandAbout(truth, RIGHT_LEAF), near },
    mistakes: brim > near[1] ? [{ id: 'toTheBrim', value: brim }] : [],
    distractors: [],
  };
}
function pitchersFigure(given: PlanGiven): Figure<PlanMistake> | null {
  const truth = pitchersFor(given, liquorOfPitcher(given));
  const dry = pitchersFor(given, given.pitcher.fillLineMl);
  if (truth < 1 || truth > 12) return null;
  const band: Band = [truth, truth];
  return {
    ...{ truth, shown: truth, right: band, near: band },
    mistakes: dry === truth ? [] : [{ id: 'leafDrinks', value: dry }],
    distractors: [],
  };
}
/** The question worked out; null: there is no one answer. */
export function planFigure(given: PlanGiven): Figure<PlanMistake> | null {
  if (!(liquorOfPitcher(given) > 0)) return null;
  switch (given.ask) {
    case 'time':
      return timeFigure(given);
    case 'leaf':
      return leafFigure(given);
    case 'pitchers':
      return pitchersFigure(given);
  }
}

const ASKS: Readonly<Record<Level, readonly PlanAsk[]>> = {
  1: ['time', 'leaf'],
  2: ['time', 'leaf'],
  3: ['time', 'pitchers'],
  4: ['time', 'pitchers'],
  5: ['time', 'leaf', 'pitchers'],
};
const CHILLED_LEVEL = 4;
const CHILL_H = [1, 2, 3] as const;
const GLASSES_ML = [180, 200, 220, 250] as const;
const QUARTER = 15;
/** Draws a service of one of the house's cold teas. @throws {RangeError} when it has none, or no pitcher */
export function drawPlan(
  {
    plans,
    pitchers,
    open,
  }: {
    readonly plans: readonly ColdTea[];
    readonly pitchers: readonly Pitcher[];
    readonly open: PlanGiven['open'];
  },
  level: Level,
  random: Random,
): PlanGiven {
  return drawnFair(level, (l) => {
    const ask = pick(random, ASKS[l]);
    const quarters = Math.floor((open.to - open.from) / QUARTER);
    const base: PlanGiven = {
      ...{ cold: pick(random, plans), pitcher: pick(random, pitchers), open, level: l, ask },
      chillH: l >= CHILLED_LEVEL ? pick(random, CHILL_H) : 0,
      glasses: 4 + Math.floor(random() * (l >= CHILLED_LEVEL ? 20 : 8)),
      ...{ glassMl: pick(random, GLASSES_ML), serviceAt: DAY_MINUTES + open.from },
    };
    // Of the services of the day those that can be planned for.
    const services = Array.from({ length: quarters + 1 }, (_, i) => ({
      ...base,
      serviceAt: base.serviceAt + i * QUARTER,
    })).filter((given) => planFigure(given) !== null);
    return services.length > 0 ? pick(random, services) : null;
  });
}
