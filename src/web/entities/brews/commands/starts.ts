import { wholeSecond } from '#core/brews';
import { minutesText } from '#core/units';
import type { Brew } from '#contracts/brews';
import { now } from '../../../platform/clock';
import type { BarBrew } from '../barBrews';
import { type Moment, nextSteepWrite, type Start } from '../begun';
import type { CommandDeps } from './sending';

/** How a brew comes onto the bar. */
export function startCommands({ write, say, me, bar }: CommandDeps) {
  const starts = {
    /** The bar and whoever is here, now: what a start is written from. */
    moment: (): Moment => ({ taken: bar(), by: me(), at: wholeSecond(now()) }),
    /** Starts a brew that was written from its card. */
    start(made: Start): Brew {
      write(made);
      return made.brew;
    },
    /** Says that a brew was started, with Undo. */
    sayStarted(brew: Brew): void {
      const what = brew.state.kind === 'warming' ? 'is on the bar' : 'is steeping';
      say(`${brew.tea.name} ${what} in the ${brew.plan.vessel.name}.`, { kind: 'start', brew });
    },
    /** The next steep of the same leaf; false when the leaf is spent or the bar is full. */
    again(before: BarBrew): boolean {
      const made = nextSteepWrite(before, starts.moment());
      if (!made) return false;
      write(made);
      const { steep, recipe } = made.brew.plan;
      const source =
        steep?.by === 'recipe'
          ? 'as its recipe has it'
          : 'by the model, to the first cup’s strength';
      say(
        `${before.tea.name}, steep ${steep?.number ?? 2}: ${minutesText(recipe.window.best)}, ${source}.`,
        { kind: 'start', brew: made.brew },
      );
      return true;
    },
  };

  return starts;
}
