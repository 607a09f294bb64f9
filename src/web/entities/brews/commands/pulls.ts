import { inWaterUntil, pullTiming, type TasteMark, tasteMarkWords } from '#core/brews';
import type { Mark } from '#core/corrections';
import type { Window } from '#core/recipes';
import { minutesText, type Seconds, secondsBetween } from '#core/units';
import { now } from '../../../platform/clock';
import type { BarBrew } from '../barBrews';
import { colourSeenWords } from '../colourSeen';
import { nameOf, type Sending } from './sending';

/** "in its window", "late by 0:20": how a steep of so long lies against the window. */
function timingText(steeped: Seconds, window: Window): string {
  switch (pullTiming(steeped, window)) {
    case 'early':
      return `${minutesText(window.earliest - steeped)} before its window`;
    case 'late':
      return `late by ${minutesText(steeped - window.latest)}`;
    case 'inWindow':
      return 'in its window';
  }
}
const marked = (mark: TasteMark | undefined) => (mark === undefined ? {} : { mark });

/** How a steep ends, and how it is tasted before it does. */
export function pullCommands({ sendToAll }: Sending) {
  /** Ends a steep by its taste; with the leaf out already, at the moment it came out. */
  const endByTaste = (brew: BarBrew, mark?: TasteMark): void => {
    const steeped = inWaterUntil(brew.state, now());
    if (steeped === null) return;
    const found = mark === undefined ? '' : `: ${tasteMarkWords(mark)}`;
    sendToAll(
      brew,
      { kind: 'pull', ...marked(mark) },
      `${nameOf(brew)} ${brew.plan.pull.done.toLowerCase()} by taste at ${minutesText(Math.floor(steeped))}${found}.`,
    );
  };

  /** Lifts the leaf of a brew that steeps. */
  const pull = (brew: BarBrew, wasLate: boolean): void => {
    if (brew.plan.explore || brew.state.kind === 'tasting') return endByTaste(brew);
    if (brew.state.kind !== 'steeping') return;
    const steeped = secondsBetween(brew.state.waterOn, now());
    const timing = timingText(steeped, brew.plan.recipe.window);
    sendToAll(
      brew,
      { kind: 'pull' },
      `${nameOf(brew)} ${brew.plan.pull.done.toLowerCase()} at ${minutesText(steeped)}, ${timing}.${wasLate ? ' Taste it.' : ''}`,
    );
  };

  /** Lifts the leaf because of the colour that was seen. */
  const pullByEye = (brew: BarBrew, seen: Mark): void => {
    if (brew.state.kind !== 'steeping') return;
    const steeped = secondsBetween(brew.state.waterOn, now());
    sendToAll(
      brew,
      { kind: 'pull', seen },
      `${nameOf(brew)} ${brew.plan.pull.done.toLowerCase()} by eye at ${minutesText(steeped)}: ${colourSeenWords(seen)}.`,
    );
  };

  const tasting = {
    /** The leaf comes out to be tasted: its clock stands. */
    leafOut(brew: BarBrew): void {
      const steeped = inWaterUntil(brew.state, now()) ?? 0;
      sendToAll(
        brew,
        { kind: 'leafOut' },
        `${nameOf(brew)}: leaf out at ${minutesText(Math.floor(steeped))}. Taste.`,
      );
    },
    /** The leaf goes in again: its clock goes on from where it stood. */
    leafIn(brew: BarBrew, mark?: TasteMark): void {
      sendToAll(brew, { kind: 'leafIn', ...marked(mark) }, `${nameOf(brew)}: leaf in again.`);
    },
    /** Tasted with the leaf in, at the moment it was. */
    taste(brew: BarBrew, at: number, mark?: TasteMark): void {
      sendToAll(
        brew,
        { kind: 'taste', at: Math.round(at), ...marked(mark) },
        `${nameOf(brew)}: taste kept.`,
      );
    },
    endByTaste,
  };

  return { pull, pullByEye, tasting };
}
