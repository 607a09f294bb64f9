import type { House, Session } from '#contracts/sites';
import { batchWrites } from '../entities/batches/writes';
import { brewsApi } from '../entities/brews/api';
import { brewWrites } from '../entities/brews/writes';
import { OF_THE_SITE, peopleApi } from '../entities/people/api';
import { lockWrites } from '../entities/people/lockWrite';
import { tastingWrites } from '../entities/tastings/writes';
import { trainingWrites } from '../entities/training/writes';
import { api } from '../platform/api';
import type { Send } from '../platform/dispatch';
import { listeners } from '../platform/listeners';
import { setUpOutbox, signedInAgain, woken } from '../platform/outbox/outbox';
import type { Maker } from '../platform/outbox/writes';
import { settingsChanged } from '../platform/settings';
import { forgetHere } from '../platform/storage';
import { keepForOffline, recordsAreOf } from './offlineCache';

type ApiState = Parameters<ReturnType<typeof peopleApi.endpoints.house.select>>[0];
const sessionIn = (state: unknown): Session | null =>
  peopleApi.endpoints.house.select()(state as ApiState).data?.session ?? null;
/** Who is at this device, as the server last said; null: nobody. */
function whoIsHere(state: unknown): Maker | null {
  const session = sessionIn(state);
  return session
    ? { personId: session.personId, name: session.name, device: session.lockedAs }
    : null;
}

type State = { readonly settings: { readonly deviceName: string } };
/** True once this page has forgotten what it had read, as a device that was taken out does. */
let forgotten = false;
/**
 * A paired device has the name that a lead gave it. One that was taken out keeps what was not sent yet, and nothing
 * that it had read.
 */
async function heedDevice(
  device: House['device'],
  { settings }: State,
  dispatch: Send,
): Promise<void> {
  if (device && !device.revoked && device.name !== settings.deviceName)
    dispatch(settingsChanged({ deviceName: device.name }));
  const mustForget = device?.revoked === true;
  if (mustForget && !forgotten) {
    await forgetHere('read').catch(() => undefined);
    dispatch(api.util.resetApiState());
  }
  forgotten = mustForget;
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
    effect: ({ payload }, { dispatch, getState }) => {
      void recordsAreOf(payload.site.id).catch(() => undefined);
      // Nobody was signed in, or at another site: what was read then is of another time or place.
      if (sessionIn(getState())?.site.id !== payload.site.id)
        dispatch(api.util.invalidateTags([...OF_THE_SITE]));
      // Whoever signs in is at the tablet, and what waits for them is sent.
      dispatch(settingsChanged({ locked: false }));
      dispatch(signedInAgain());
      dispatch(woken());
    },
  });
  listeners.startListening({
    matcher: house.matchFulfilled,
    effect: async ({ payload }, { dispatch, getState }) => {
      dispatch(woken());
      await heedDevice(payload.device, getState() as State, dispatch);
      if (payload.session) await recordsAreOf(payload.session.site.id).catch(() => undefined);
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
