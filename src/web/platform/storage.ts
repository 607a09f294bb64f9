import { type IDBPDatabase, openDB } from 'idb';

// What this device keeps by itself: writes not yet answered, and the records as they were last read.

const NAME = 'limnos';
const STORES = ['waiting', 'read'] as const;
type Store = (typeof STORES)[number];

let opened: Promise<IDBPDatabase> | null = null;
const db = () =>
  (opened ??= openDB(NAME, 1, {
    upgrade: (d) =>
      STORES.forEach((s) => {
        if (!d.objectStoreNames.contains(s)) d.createObjectStore(s);
      }),
  }));

/** Kept when the promise is: the browser has written it through to the disk. */
export async function keepHere(store: Store, key: string, value: unknown): Promise<void> {
  const tx = (await db()).transaction(store, 'readwrite', {
    durability: store === 'waiting' ? 'strict' : 'relaxed',
  });
  await tx.store.put(value, key);
  await tx.done;
}
export async function dropHere(store: Store, key: string): Promise<void> {
  await (await db()).delete(store, key);
}
/** Forgets everything of a kind. */
export async function forgetHere(store: Store): Promise<void> {
  await (await db()).clear(store);
}
export const allHere = async (store: Store): Promise<unknown[]> => (await db()).getAll(store);
export const readHere = async (store: Store, key: string): Promise<unknown> =>
  (await db()).get(store, key);
