import { pick, type Random } from '#core/numeric';
import { millilitres, millimetres, ML_PER } from '#core/units';
import { solveVessel, type VesselKind } from '#core/vessels';
import type { Level } from '../diagnosis/diagnosis';
import { drawnFair } from '../drawnFair';
import { type Band, type Figure, type Mistake } from './figures';
import { soldSize } from './soldSize';

// Water pulled to a level of a vessel. An answer is the level in percent of the inside height: it is judged by the water
// below it.

/** How the level is asked for: its line is drawn, or said; so many ml with or without a scale; fl oz. */
export type FillAsk = 'line' | 'words' | 'ticks' | 'ml' | 'flOz';
export type FillVessel = {
  readonly name: string;
  readonly kind: VesselKind;
  readonly brimMl: number;
  readonly fillLineMl: number;
};
export type FillGiven = {
  readonly vessel: FillVessel;
  /** Water that is asked for; of a line it is the fill line’s. */
  readonly wantedMl: number;
  readonly ask: FillAsk;
  readonly level: Level;
};
export type FillMistake = 'brim' | 'name' | 'height';

const [RIGHT, NEAR] = [0.03, 0.07];

/** The level of so much water, in percent of the inside height. */
export function levelPercent({ vessel }: FillGiven, waterMl: number): number {
  const solved = solveVessel(vessel.kind, millilitres(vessel.brimMl));
  return (100 * solved.levelOf(millilitres(waterMl))) / solved.height;
}
/** Water below a level in percent of the inside height, ml. */
export function waterBelow({ vessel }: FillGiven, percent: number): number {
  const solved = solveVessel(vessel.kind, millilitres(vessel.brimMl));
  return solved.volumeBelow(millimetres((solved.height * percent) / 100));
}

/** @throws {RangeError} unless the vessel holds something */
export function fillFigure(given: FillGiven): Figure<FillMistake> {
  const { vessel, wantedMl } = given;
  const truth = levelPercent(given, wantedMl);
  const band = (share: number): Band => [
    levelPercent(given, wantedMl * (1 - share)),
    levelPercent(given, wantedMl * (1 + share)),
  ];
  const mistakes: Mistake<FillMistake>[] = [
    { id: 'brim', value: 100 },
    {
      id: 'name',
      value: levelPercent(given, (wantedMl * vessel.brimMl) / soldSize(vessel.brimMl)),
    },
    { id: 'height', value: (100 * wantedMl) / vessel.brimMl },
  ];
  return {
    ...{ truth, shown: Math.round(2 * truth) / 2, right: band(RIGHT), near: band(NEAR) },
    // A mistake that comes to the right level is none.
    mistakes: mistakes.filter((m) => Math.abs(m.value - truth) > 1),
    distractors: [],
  };
}

const ASKS: Readonly<Record<Level, FillAsk>> = {
  1: 'line',
  2: 'words',
  3: 'ticks',
  4: 'ml',
  5: 'flOz',
};
/** Water asked for lies between these shares of the brim. */
const [LEAST, MOST] = [0.3, 0.92];
/** Draws a vessel of the house and a level in it. @throws {RangeError} when the house has no vessel */
export function drawFill(vessels: readonly FillVessel[], level: Level, random: Random): FillGiven {
  return drawnFair(level, (l) => {
    const vessel = pick(random, vessels);
    const ask = ASKS[l];
    const share = LEAST + random() * (MOST - LEAST);
    const some = vessel.brimMl * share;
    const step = ask === 'flOz' ? ML_PER.usFlOz : 10;
    const isLine = ask === 'line' || ask === 'words';
    const wantedMl = isLine ? vessel.fillLineMl : step * Math.max(1, Math.round(some / step));
    return wantedMl < vessel.brimMl ? { vessel, wantedMl, ask, level: l } : null;
  });
}
