import type {
  addOrder,
  Brew,
  BrewEventBody,
  changeOrder,
  Order,
  StartBrew,
} from '#contracts/brews';
import type { ErrorCode } from '#contracts/errors';
import type { BodyOf } from '#contracts/endpoint';
import type { Who } from '#contracts/primitives';
import type { TastingEventBody } from '#contracts/tastings';

// What waits on a device to be sent: whose it is, and what may go out next. The sending itself is in `outbox.ts`.

/** Who made a write: a person, or the shared tablet itself while nobody was signed in on it. */
export type Maker = {
  readonly personId: string;
  readonly name: string;
  readonly device: string | null;
};
/** Why a write was set aside: the server failed on it again and again. */
export type Aside = { readonly why: string; readonly at: number };
type Common = {
  readonly id: string;
  readonly seq: number;
  /** It is sent in this name only. Missing in what earlier versions left: see `makerOf`. */
  readonly maker?: Maker;
  readonly aside?: Aside;
};
/** A write that has happened here and waits to be kept there. Sent in order, each until it is answered. */
export type Waiting = Common &
  (
    | { readonly kind: 'start'; readonly body: StartBrew; readonly brew: Brew }
    /** `restores`: the brew as it was before what is taken back. */
    | {
        readonly kind: 'event';
        readonly brewId: string;
        readonly body: BrewEventBody;
        readonly by: Who;
        readonly restores?: Brew;
      }
    | { readonly kind: 'order'; readonly body: BodyOf<typeof addOrder>; readonly order: Order }
    | {
        readonly kind: 'orderChange';
        readonly orderId: string;
        readonly body: BodyOf<typeof changeOrder>;
        readonly order: Order;
      }
    | {
        readonly kind: 'table';
        readonly tastingId: string;
        readonly body: TastingEventBody;
        readonly by: Who;
      }
    /** Nobody is at this tablet: after what was done by whoever was. */
    | { readonly kind: 'lock'; readonly device: string }
  );
/** Who made a write; earlier versions kept it inside the write. */
export function makerOf(w: Waiting): Maker | null {
  if (w.kind === 'lock') return w.maker ? { ...w.maker, device: null } : null;
  if (w.maker) return w.maker;
  const by =
    w.kind === 'start'
      ? w.brew.startedBy
      : w.kind === 'order' || w.kind === 'orderChange'
        ? w.order.by
        : w.by;
  return { personId: by.id, name: by.name, device: null };
}

/** What a write is about: a later write about the same waits for it. */
function subjectsOf(w: Waiting): readonly string[] {
  switch (w.kind) {
    case 'start':
      return [
        w.body.id,
        ...(w.body.after ? [w.body.after] : []),
        ...(w.body.orderId ? [w.body.orderId] : []),
      ];
    case 'event':
      return [w.brewId, ...(w.body.kind === 'pair' ? [w.body.with] : [])];
    case 'order':
      return [w.id];
    case 'orderChange':
      return [w.orderId];
    case 'table':
      return [w.tastingId];
    case 'lock':
      return ['session'];
  }
}
/**
 * A tablet's own pulls go out under whoever is at it, in the tablet's name; a person's writes under that person
 * alone.
 */
function maySend(w: Waiting, at: Maker): boolean {
  const maker = makerOf(w);
  if (maker === null || maker.device !== null) return true;
  return maker.personId === at.personId && at.device === null;
}
/** The names of others whose writes wait on this device until they sign in. */
export const othersWaiting = (waiting: readonly Waiting[], personId: string): string[] => [
  ...new Set(
    waiting.flatMap((w) => {
      const maker = makerOf(w);
      return maker !== null && maker.device === null && maker.personId !== personId && !w.aside
        ? [maker.name]
        : [];
    }),
  ),
];
/** The first write that may go out now: of whoever is here, and about nothing that an earlier one still waits with. */
export function nextToSend(waiting: readonly Waiting[], at: Maker): Waiting | null {
  const held = new Set<string>();
  for (const w of waiting) {
    const subjects = subjectsOf(w);
    const blocked = subjects.some((x) => held.has(x));
    if (!blocked && w.aside === undefined && maySend(w, at)) return w;
    for (const x of subjects) held.add(x);
  }
  return null;
}
/** Locking was asked for by somebody who is not here any more, or it is locked already. */
export const isStaleLock = (w: Waiting, at: Maker): boolean =>
  w.kind === 'lock' &&
  w.maker !== undefined &&
  (w.maker.personId !== at.personId || at.device !== null);

/** What a person reads while nothing is kept: why, and since when. */
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
