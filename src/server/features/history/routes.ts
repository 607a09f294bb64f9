import { getHistory } from '#contracts/history';
import type { Deps } from '../../deps';
import type { routes } from '../../http/route';
import { changesOf } from './repository';

export function historyRoutes(on: ReturnType<typeof routes>, { db }: Deps) {
  on.signed(getHistory, async ({ params }) => ({
    changes: await changesOf(db, params.thing, params.id),
  }));
}
