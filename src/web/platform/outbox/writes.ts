import type { ErrorCode } from '#contracts/errors';
import type { Call, Tag } from '../api';
import type { Send } from '../dispatch';

// Writes that wait on this device: whose each is, and which may be sent next. The sending itself is in `outbox.ts`.

/** Who made a write: a person, or the shared tablet itself while nobody was signed in on it. */
export type Maker = {
  readonly personId: string;
  readonly name: string;
  readonly device: string | null;
};
/** Why a write was set aside: the server failed on it again and again. */
export type Aside = { readonly why: string; readonly at: number };
/** A write that was made here and waits to be saved on the server. Sent in order, each until it is answered. */
export type WaitingWrite = {
  readonly kind: string;
  readonly id: string;
  readonly seq: number;
  /** It is sent in this name only. Missing in what earlier versions left: see `WriteKind.maker`. */
  readonly maker?: Maker;
  readonly aside?: Aside;
};
/** What one kind of write needs; each entity says it of its own kinds. */
export type WriteKind<W extends WaitingWrite> = {
  /** The request that saves it. */
  call(w: W): Call;
  /** What it is about, as ids: a later write about the same waits for it. */
  subjects(w: W): readonly string[];
  /** Puts the server's answer in its place, before the write leaves the list. */
  accept(w: W, answer: unknown, dispatch: Send): void;
  /** What is read again once it is saved. */
  stale(live: boolean): readonly Tag[];
  /** What is read again when it was refused or given up. */
  refused: readonly Tag[];
  /** Who made it; earlier versions kept that inside the write. Null: nobody knows. */
  maker(w: W): Maker | null;
  /** True when it has no purpose any more, whoever is here now. */
  isPointless?(w: W, here: Maker): boolean;
};
/** Every kind by its name; the kinds differ in their writes, which only their own entity reads. */
// eslint-disable-next-line @typescript-eslint/no-explicit-any -- a kind is only ever given its own writes
export type WriteKinds = Readonly<Record<string, WriteKind<any>>>;

let kinds: WriteKinds = {};
/** Says once, at the start, which kinds of write there are. */
export function registerWrites(all: WriteKinds): void {
  kinds = all;
}
/** @throws when no entity has registered the kind */
export function kindOf(w: WaitingWrite): WriteKind<WaitingWrite> {
  const kind = kinds[w.kind];
  if (!kind) throw new Error(`no kind of write is called ${w.kind}`);
  return kind as WriteKind<WaitingWrite>;
}

/** Who made a write. */
export const makerOf = (w: WaitingWrite): Maker | null => kindOf(w).maker(w);

/**
 * A tablet's own lifts are sent under whoever is signed in, in the tablet's name; a person's writes under that person
 * alone.
 */
function maySend(w: WaitingWrite, here: Maker): boolean {
  const maker = makerOf(w);
  if (maker === null || maker.device !== null) return true;
  return maker.personId === here.personId && here.device === null;
}
/** The names of others whose writes wait on this device until they sign in. */
export const othersWaiting = (waiting: readonly WaitingWrite[], personId: string): string[] => [
  ...new Set(
    waiting.flatMap((w) => {
      const maker = makerOf(w);
      return maker !== null && maker.device === null && maker.personId !== personId && !w.aside
        ? [maker.name]
        : [];
    }),
  ),
];
/** The first write that may be sent now: of whoever is here, and about nothing that an earlier one still waits with. */
export function nextToSend<W extends WaitingWrite>(waiting: readonly W[], here: Maker): W | null {
  const held = new Set<string>();
  for (const w of waiting) {
    const subjects = kindOf(w).subjects(w);
    const blocked = subjects.some((x) => held.has(x));
    if (!blocked && w.aside === undefined && maySend(w, here)) return w;
    for (const x of subjects) held.add(x);
  }
  return null;
}
/** Writes that nobody needs any more, such as a lock of a tablet that is locked already. */
export const pointless = (waiting: readonly WaitingWrite[], here: Maker): WaitingWrite[] =>
  waiting.filter((w) => kindOf(w).isPointless?.(w, here) ?? false);

/** What a person reads while nothing is saved: why, and since when. */
export function awayWords(why: ErrorCode | null, since: string): string {
  switch (why) {
    case 'disk.full':
      return `Nothing is saved since ${since}: the server’s disk is full.`;
    case 'database.away':
      return `Nothing is saved since ${since}: the database does not answer.`;
    default:
      return `No connection since ${since}.`;
  }
}
