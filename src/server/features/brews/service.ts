import { verdictWords } from '#core/corrections';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Bar, Brew, Happened } from '#contracts/brews';
import type { Deps } from '../../deps';
import type { Signed } from '../../http/route';
import { mayRead } from '../../http/sites';
import { type LiveHub, notifyingTransaction } from '../live';
import { addEventIn } from './events';
import { waitingOrders } from './orders';
import { photoOf } from './photo';
import {
  eventsOf,
  headOf,
  nextOfTea,
  openBrews,
  pullErrors,
  recentPours,
  steepsOf,
} from './repository';
import { requireBrew } from './shared';
import { startBrewIn, type StartRequest } from './start';

/** So many of the last pours are offered to be brewed again. */
const RECENT = 6;
/** Habits are read from so many brews. */
const PULLS = 120;

/** What is read of brews and done to them; each write in one transaction, which ends by telling the site's pages. */
export function createBrewService({ db, now }: Deps, live: Pick<LiveHub, 'nudge'>) {
  const write = notifyingTransaction(db, live);
  const siteOf = (brew: Brew) => brew.siteId;

  return {
    bar: async (siteId: string): Promise<Bar> => {
      // The number first: what is read after it is at least as new.
      const seq = await headOf(db, siteId);
      return {
        now: now(),
        seq,
        brews: await openBrews(db, siteId),
        orders: await waitingOrders(db, siteId),
        recent: await recentPours(db, siteId, RECENT),
      };
    },
    start: (given: StartRequest, who: Signed): Promise<Brew> =>
      write(siteOf, (tx) => startBrewIn(tx, given, who, now())),
    event: (id: string, given: BrewEventBody, who: Signed): Promise<Brew> =>
      write(siteOf, (tx) => addEventIn(tx, id, given, who, now())),

    async one(id: string, who: Signed) {
      const brew = await requireBrew(db, id);
      mayRead(who, brew.siteId);
      const next = await nextOfTea(db, brew);
      const steeps = (await steepsOf(db, brew.leafId)).map((s, i) => ({
        id: s.id,
        number: s.plan.steep?.number ?? i + 1,
        steeped: s.waterOn && s.pulled ? (s.pulled.getTime() - s.waterOn.getTime()) / 1000 : null,
      }));
      const events: Happened[] = (await eventsOf(db, id)).map(({ e, by }) => ({
        id: e.id,
        at: e.at.getTime(),
        by: by ?? e.device ?? '',
        undone: e.undone,
        what: 'kind' in e.body ? e.body : { kind: 'start' as const },
      }));
      return {
        brew,
        events,
        steeps,
        next: next
          ? {
              id: next.id,
              at: next.startedAt,
              verdict: next.verdict ? verdictWords(next.verdict) : 'not judged',
            }
          : null,
        photo: await photoOf(db, id),
      };
    },
    pulls: async (teaId: string, siteId: string) => ({
      errors: await pullErrors(db, teaId, siteId, PULLS),
    }),
  };
}
