import { batchWrites } from '../entities/batches/writes';
import { brewsApi } from '../entities/brews/api';
import { brewWrites } from '../entities/brews/writes';
import { peopleApi } from '../entities/people/api';
import { lockWrites } from '../entities/people/lockWrite';
import { tastingWrites } from '../entities/tastings/writes';
import { trainingWrites } from '../entities/training/writes';
import { api } from '../platform/api';
import { listeners } from '../platform/listeners';
import { setUpOutbox, signedInAgain, woken } from '../platform/outbox/outbox';
import type { Maker } from '../platform/outbox/writes';
import { settingsChanged } from '../platform/settings';
import { keepForOffline } from './offlineCache';

type ApiState = Parameters<ReturnType<typeof peopleApi.endpoints.house.select>>[0];
/** Who is at this device, as the server last said; null: nobody. */
function whoIsHere(state: unknown): Maker | null {
  const session = peopleApi.endpoints.house.select()(state as ApiState).data?.session;
  return session
    ? { personId: session.personId, name: session.name, device: session.lockedAs }
    : null;
}

/** Joins what the platform does to what the entities are: once, before anything is drawn. */
export function setUp(): void {
  setUpOutbox({
    kinds: { ...brewWrites, ...batchWrites, ...tastingWrites, ...trainingWrites, ...lockWrites },
    whoIsHere,
  });
  const { signIn, house } = peopleApi.endpoints;
  listeners.startListening({
    matcher: signIn.matchFulfilled,
    effect: (_action, { dispatch }) => {
      // Whoever signs in is at the tablet, and what waits for them is sent.
      dispatch(settingsChanged({ locked: false }));
      dispatch(signedInAgain());
      dispatch(woken());
    },
  });
  listeners.startListening({
    matcher: house.matchFulfilled,
    effect: (_action, { dispatch }) => {
      dispatch(woken());
    },
  });
  // A reading of the bar that was under way while an event came may not know of the event: the bar is read again.
  listeners.startListening({
    matcher: brewsApi.endpoints.bar.matchFulfilled,
    effect: ({ payload }, { dispatch, getState }) => {
      const { live } = getState() as { live: { readonly seq: number } };
      if (payload.seq < live.seq) dispatch(api.util.invalidateTags(['Bar']));
    },
  });
  keepForOffline();
}
