import { againFigure, type AgainGiven, drawAgain } from './again';
import { againWords } from './againWords';
import { drawPlan, planFigure, type PlanGiven } from './coldPlan';
import { planWords } from './coldPlanWords';
import type { FigureDrill, FigureWords } from './drill';
import type { Figure } from './figures';
import { drawFill, fillFigure, type FillGiven } from './fillLine';
import { fillWords } from './fillLineWords';
import type { HeatAsk } from './heat';
import { drawHeat, heatFigure, type HeatGiven } from './heatDraw';
import { heatWords } from './heatWords';
import { drawMatch, matchFigure, type MatchGiven } from './match';
import { matchWords } from './matchWords';
import { drawPacket, packetFigure, type PacketGiven } from './packet';
import { packetWords } from './packetWords';
import { drawRescue, rescueFigure, type RescueGiven } from './rescue';
import { rescueWords } from './rescueWords';
import { drawScale, isFairScale, scaleFigure, type ScaleGiven } from './scale';
import { scaleWords } from './scaleWords';
import { drawSpoons, spoonsFigure, type SpoonsGiven } from './spoons';
import { spoonsWords } from './spoonsWords';

/** What each figure drill asks about, in plain numbers. */
export type FigureGivens = {
  spoons: SpoonsGiven;
  fillLine: FillGiven;
  scale: ScaleGiven;
  packet: PacketGiven;
  splash: HeatGiven;
  wait: HeatGiven;
  landing: HeatGiven;
  again: AgainGiven;
  match: MatchGiven;
  rescue: RescueGiven;
  plan: PlanGiven;
};
export type FigureDrillName = keyof FigureGivens;
/** A question as it was drawn. */
export type FigureQuestion<D extends FigureDrillName = FigureDrillName> = {
  [K in D]: { readonly drill: K; readonly given: FigureGivens[K] };
}[D];

const heatDrill = (ask: HeatAsk): FigureDrill<HeatGiven> => ({
  version: 1,
  draw: (facts, level, random) => drawHeat(facts, level, ask, random),
  work: heatFigure,
  words: heatWords,
});
export const FIGURE_DRILLS: {
  readonly [K in FigureDrillName]: FigureDrill<FigureGivens[K]>;
} = {
  spoons: {
    version: 1,
    draw: ({ cups, weighed }, level, random) => drawSpoons(cups, weighed, level, random),
    work: (given) => {
      const figure = spoonsFigure(given);
      return figure.fair ? figure : null;
    },
    words: spoonsWords,
  },
  fillLine: {
    version: 1,
    draw: ({ vessels }, level, random) => drawFill(vessels, level, random),
    work: (given) => (given.wantedMl < given.vessel.brimMl ? fillFigure(given) : null),
    words: fillWords,
  },
  scale: {
    version: 1,
    draw: ({ cups }, level, random) => drawScale(cups, level, random),
    work: (given) => (isFairScale(given) ? scaleFigure(given) : null),
    words: scaleWords,
  },
  packet: {
    version: 1,
    draw: ({ cups, weighed }, level, random) => drawPacket(cups, weighed, level, random),
    work: packetFigure,
    words: packetWords,
  },
  splash: heatDrill('splash'),
  wait: heatDrill('wait'),
  landing: heatDrill('landing'),
  again: {
    version: 1,
    draw: ({ again }, level, random) => drawAgain(again, level, random),
    work: againFigure,
    words: againWords,
  },
  match: {
    version: 1,
    draw: ({ cups }, level, random) => drawMatch(cups, level, random),
    work: matchFigure,
    words: matchWords,
  },
  rescue: {
    version: 1,
    draw: ({ cups }, level, random) => drawRescue(cups, level, random),
    work: rescueFigure,
    words: rescueWords,
  },
  plan: {
    version: 1,
    draw: ({ cold }, level, random) => drawPlan(cold, level, random),
    work: planFigure,
    words: planWords,
  },
};
export const FIGURE_DRILL_NAMES = Object.keys(FIGURE_DRILLS) as readonly FigureDrillName[];
export const isFigureDrill = (drill: string): drill is FigureDrillName => drill in FIGURE_DRILLS;

/** A drill as one that takes any given: a question holds a given of its own drill, so the two always fit. */
const byName = (drill: FigureDrillName) =>
  FIGURE_DRILLS[drill] as FigureDrill<FigureQuestion['given']>;
/** The question worked out; null: it is no fair one. */
export const workFigure = ({ drill, given }: FigureQuestion): Figure | null =>
  byName(drill).work(given);
/** How it is asked and worked out, in words. */
export const figureWords = ({ drill, given }: FigureQuestion): FigureWords =>
  byName(drill).words(given);
/** Draws a question. @throws {RangeError} when the house has nothing to ask about */
export const drawFigure = (
  drill: FigureDrillName,
  ...asked: Parameters<FigureDrill<unknown>['draw']>
): FigureQuestion => ({ drill, given: byName(drill).draw(...asked) }) as FigureQuestion;
