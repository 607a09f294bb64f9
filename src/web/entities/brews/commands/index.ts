import { STARTED_BY_MISTAKE } from '#core/brews';
import type { BrewEventBody } from '#contracts/brewEvents';
import { now } from '../../../platform/clock';
import { newId } from '../../../platform/ids';
import type { BrewUndo } from '../undo';
import { cupCommands } from './cups';
import { happenings } from './happenings';
import { orderCommands } from './orders';
import { pullCommands } from './pulls';
import { type CommandDeps, createSending } from './sending';
import { startCommands } from './starts';

export type { CommandDeps } from './sending';
/** Everything that can be done to brews and to the queue before them. */
export type BrewCommands = ReturnType<typeof createBrewCommands>;

/**
 * What can be done to a brew. Each is done on this device at once and saved on the server as soon as it answers.
 */
export function createBrewCommands(deps: CommandDeps) {
  const { write, me } = deps;
  const sending = createSending(deps);
  const pulls = pullCommands(sending);
  const { order, changeOrder } = orderCommands(deps);

  /** Takes back what was said with Undo. */
  const undo = (what: BrewUndo): void => {
    switch (what.kind) {
      case 'start':
        sending.send(what.brew, { kind: 'abandon', reason: STARTED_BY_MISTAKE });
        return;
      case 'order':
        changeOrder(what.order, what.body);
        return;
      case 'events':
        for (const { eventId, before } of what.of) {
          const at = Math.round(now());
          const body: BrewEventBody = { id: newId(), at, kind: 'undo', of: eventId };
          write({
            kind: 'event',
            id: body.id,
            brewId: before.id,
            body,
            by: me(),
            restores: before,
          });
        }
    }
  };

  return {
    ...startCommands(deps),
    ...happenings(deps, sending, pulls),
    ...pulls.tasting,
    ...cupCommands(deps, sending),
    pullByEye: pulls.pullByEye,
    order,
    undo,
  };
}
