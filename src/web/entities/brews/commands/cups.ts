import type { Millilitres } from '#core/units';
import type { BarBrew } from '../barBrews';
import { type CommandDeps, nameOf, type Sending } from './sending';

/** What is poured from leaf that stays in its pot or glass. */
export const cupCommands = ({ say }: CommandDeps, { send, sendToAll }: Sending) => ({
  /** The first cup of a pot that keeps its leaf: the rest stays on it. */
  firstCup(brew: BarBrew, ml: Millilitres): void {
    sendToAll(
      brew,
      { kind: 'pull', cup: ml },
      `${nameOf(brew)}: one cup poured, ${Math.round(ml)} ml.`,
    );
  },
  /** One more cup of what stays on the leaf, or hot water on that leaf again. */
  pour(brew: BarBrew, what: 'cup' | 'refill', ml: Millilitres): void {
    const said = what === 'cup' ? 'one more cup' : 'filled up again';
    sendToAll(brew, { kind: 'pour', what, ml }, `${nameOf(brew)}: ${said}, ${Math.round(ml)} ml.`);
  },
  /** A glass was drunk to a fifth, and is filled up again. */
  fillGlass(brew: BarBrew, drunk: Millilitres): void {
    const emptied = send(brew, { kind: 'pour', what: 'cup', ml: drunk });
    const filled = send(brew, { kind: 'pour', what: 'refill', ml: drunk });
    say(`${nameOf(brew)}: filled up again, ${Math.round(drunk)} ml.`, {
      kind: 'events',
      of: [filled, emptied],
    });
  },
});
