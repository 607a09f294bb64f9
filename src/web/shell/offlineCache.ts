import type { Bar } from '#contracts/brews';
import type { House } from '#contracts/sites';
import { batchesApi } from '../entities/batches/api';
import { brewsApi } from '../entities/brews/api';
import { kettlesApi } from '../entities/kettles/api';
import { peopleApi } from '../entities/people/api';
import { teasApi } from '../entities/teas/api';
import { vesselsApi } from '../entities/vessels/api';
import { api } from '../platform/api';
import type { Send } from '../platform/dispatch';
import { SIGNED_IN_HERE } from '../platform/earlyRequests';
import { listeners } from '../platform/listeners';
import { dropHere, keepHere, readHere } from '../platform/storage';

// The records the bar needs, as they were last read: a tablet that is opened without a server begins with them.

const NAMES = ['house', 'bar', 'book', 'vessels'] as const;
type Name = (typeof NAMES)[number];
/** Running brews are drawn from these alone. */
const FIRST: readonly Name[] = ['house', 'bar'];
const LATER = NAMES.filter((n) => !FIRST.includes(n));
const ENDPOINTS = {
  house: peopleApi.endpoints.house,
  bar: brewsApi.endpoints.bar,
  book: teasApi.endpoints.book,
  vessels: vesselsApi.endpoints.vessels,
  kettles: kettlesApi.endpoints.kettles,
  cold: batchesApi.endpoints.cold,
  coldPlan: batchesApi.endpoints.coldPlan,
};
/** What is kept here once it was read, though the bar does not ask for it. */
const KEPT = [...NAMES, 'kettles', 'cold', 'coldPlan'] as const;
const SELECT = {
  house: ENDPOINTS.house.select(),
  bar: ENDPOINTS.bar.select(),
  book: ENDPOINTS.book.select(),
  vessels: ENDPOINTS.vessels.select(),
  kettles: ENDPOINTS.kettles.select(),
  cold: ENDPOINTS.cold.select(),
  coldPlan: ENDPOINTS.coldPlan.select(),
};
/** Under this name: the site that what is kept is of. The house is of all sites. */
const SITE = 'site';
const OF_A_SITE = KEPT.filter((name) => name !== 'house');
const siteIn = (house: unknown): string | undefined =>
  (house as House | undefined)?.session?.site.id;

/** The store's state is the same for all of them, though each entity knows only its own part of it. */
type Select = (state: unknown) => { readonly data?: unknown };
const dataOf = (state: unknown, name: (typeof KEPT)[number]): unknown =>
  (SELECT[name] as Select)(state).data;

/** Keeps each of them on this device, whenever it changes; one that is asked for in vain is put in its place again. */
export function keepForOffline(): void {
  for (const name of KEPT) {
    listeners.startListening({
      matcher: ENDPOINTS[name].matchRejected,
      effect: (_action, { dispatch, getState }) => restoreOne(dispatch, getState, name),
    });
    listeners.startListening({
      // However it came: as an answer, or over the live stream.
      predicate: (_action, now, before) =>
        dataOf(now, name) !== undefined && dataOf(now, name) !== dataOf(before, name),
      effect: (_action, { getState }) =>
        keepHere('read', name, dataOf(getState(), name)).catch(() => undefined),
    });
  }
}

/** Who is here is at this site: what was kept of another is forgotten. */
export async function recordsAreOf(siteId: string): Promise<void> {
  const kept = await readHere('read', SITE);
  if (kept === siteId) return;
  if (kept !== undefined) for (const name of OF_A_SITE) await dropHere('read', name);
  await keepHere('read', SITE, siteId);
}
/** Whether what is kept is of the site whose page asks for it. */
async function isOfThisSite(state: unknown): Promise<boolean> {
  const here = siteIn(dataOf(state, 'house') ?? (await readHere('read', 'house')));
  const kept = await readHere('read', SITE);
  return here === undefined || kept === undefined || here === kept;
}

/** By name alone: each is of an entity of its own. */
type Upsert = (name: string, arg: undefined, data: unknown) => never;
type Initiate = (arg: undefined, options: { subscribe: false; forceRefetch: boolean }) => never;
type Settled = { readonly data?: unknown };

/** Asks the server for some of them; `public/early.js` has sent these requests already. */
async function ask(
  dispatch: Send,
  names: readonly Name[],
  { again = false } = {},
): Promise<boolean> {
  const answers = await Promise.all(
    names.map((name): Promise<Settled> => {
      const initiate = ENDPOINTS[name].initiate as Initiate;
      return dispatch(initiate(undefined, { subscribe: false, forceRefetch: again }));
    }),
  );
  return answers.every((a) => a.data !== undefined);
}

/** What the server answered: all of it, what the first page draws, or nothing. */
export type Answered = 'all' | 'first' | 'nothing';

/** Asks for what the first page draws: what runs on the bar; the book and the shelf as well where nothing runs. */
export async function askServer(dispatch: Send, state: () => unknown): Promise<Answered> {
  const answered = async (names: readonly Name[], as: Answered) =>
    (await ask(dispatch, names)) ? as : 'nothing';
  if (!localStorage.getItem(SIGNED_IN_HERE)) return answered(['house'], 'all');
  const first = await answered(FIRST, 'first');
  const bar = dataOf(state(), 'bar') as Bar | undefined;
  return bar && bar.brews.length === 0 ? answered(LATER, 'all') : first;
}

/**
 * Asks for the rest, which a start needs: it is then there without a server too. What a place has asked for meanwhile
 * is not asked again; what came from this device's storage is.
 */
export async function askTheRest(
  dispatch: Send,
  state: () => unknown,
  answered: Answered,
): Promise<void> {
  if (answered === 'all' || !localStorage.getItem(SIGNED_IN_HERE)) return;
  const again = answered === 'nothing';
  if (!(await ask(dispatch, LATER, { again }))) await restoreOffline(dispatch, state);
}

/** Puts what was last read in its place, where the server has not answered. */
export async function restoreOffline(dispatch: Send, state: () => unknown): Promise<void> {
  for (const name of KEPT) await restoreOne(dispatch, state, name);
}
async function restoreOne(
  dispatch: Send,
  state: () => unknown,
  name: (typeof KEPT)[number],
): Promise<void> {
  const mine = name === 'house' || (await isOfThisSite(state()).catch(() => false));
  const data = mine ? await readHere('read', name).catch(() => undefined) : undefined;
  if (data === undefined || dataOf(state(), name) !== undefined) return;
  await dispatch((api.util.upsertQueryData as Upsert)(name, undefined, data));
}
