import { and, asc, eq, gt, inArray, lt, lte } from 'drizzle-orm';
import type { Response } from 'express';
import type { Brew, Order } from '#contracts/brews';
import type { LiveEvent } from '#contracts/live';
import { feed, feedHeads } from '../../db/schema';
import type { Deps } from '../../deps';
import { livePages } from '../../operations';

// One reader of the feed in each process: whoever wrote, here or in another process, every page hears it from the
// table.

/** Looked at so often while anybody listens, ms. */
const LOOK_MS = 60;
const SOON_MS = 15;
const BEAT_MS = 5000;
/** So much is told one by one to a page that missed it; more, and it reads the bar again. */
const CATCH_UP = 300;
/** A page that takes nothing off its wire is let go; it comes back by itself and catches up. */
const MOST_WAITING_BYTES = 4_000_000;
/** What is older is forgotten: a page that was away longer reads the bar again. */
const KEPT_MS = 24 * 3_600_000;
const SWEEP_MS = 600_000;
/** Records that did not answer for so long: pages are let go and come back, behind a proxy to another process. */
const AWAY_MS = 4000;

type Client = {
  /** Who listens: a person, or a locked tablet by its name. */ readonly name: string;
  readonly since: number;
  readonly res: Response;
  readonly check: () => Promise<boolean>;
  seq: number;
  catching: boolean;
};
type Room = {
  readonly siteId: string;
  seq: number;
  readonly clients: Set<Client>;
  looking: boolean;
  /** Since when its records have not answered; null: they do. */ away: number | null;
  soon: boolean;
};
export type ReadSite = {
  readonly brewsByIds: (ids: string[]) => Promise<Brew[]>;
  readonly ordersAt: (siteId: string) => Promise<Order[]>;
};

const frame = (told: LiveEvent, seq?: number) =>
  `${seq === undefined ? '' : `id: ${seq}\n`}event: ${told.kind}\ndata: ${JSON.stringify(told)}\n\n`;

/** News one by one, or that there is more of it than can be told: read everything again. */
const textOf = (frames: readonly { text: string }[] | null, seq: number): string =>
  frames?.map((f) => f.text).join('') ?? frame({ kind: 'reread', seq }, seq);

export function liveHub({ db, now }: Deps, read: ReadSite) {
  const rooms = new Map<string, Room>();
  let looker: NodeJS.Timeout | null = null;
  let beats = 0;

  /** The last number of each of these sites; of one that nothing was told of yet there is none. */
  const headsOf = async (siteIds: readonly string[]): Promise<ReadonlyMap<string, number>> =>
    new Map(
      (
        await db
          .select()
          .from(feedHeads)
          .where(inArray(feedHeads.siteId, [...siteIds]))
      ).map(({ siteId, seq }) => [siteId, seq]),
    );
  const headOf = async (siteId: string): Promise<number> =>
    (await headsOf([siteId])).get(siteId) ?? 0;

  /**
   * What was told after `after` and up to `upTo`, as it goes over the wire. A brew told of twice is told as it is
   * now, twice.
   * Null when some of it is forgotten: numbers have no gaps, so that a missing row is a swept one.
   */
  async function framesAfter(
    siteId: string,
    after: number,
    upTo: number,
  ): Promise<{ seq: number; text: string }[] | null> {
    const rows = await db
      .select()
      .from(feed)
      .where(and(eq(feed.siteId, siteId), gt(feed.seq, after), lte(feed.seq, upTo)))
      .orderBy(asc(feed.seq));
    if (rows.length < upTo - after) return null;
    const ids = [...new Set(rows.flatMap((r) => (r.kind === 'brew' && r.ref ? [r.ref] : [])))];
    const brews = new Map(
      (ids.length ? await read.brewsByIds(ids) : []).map((b) => [
        b.id,
        JSON.stringify({ kind: 'brew', brew: b }),
      ]),
    );
    const orders = rows.some((r) => r.kind === 'queue') ? await read.ordersAt(siteId) : [];
    return rows.flatMap((r) => {
      if (r.kind === 'queue')
        return [{ seq: r.seq, text: frame({ kind: 'queue', orders }, r.seq) }];
      if (r.kind === 'records') return [{ seq: r.seq, text: frame({ kind: 'records' }, r.seq) }];
      if (r.kind === 'table' || r.kind === 'batch')
        return r.ref ? [{ seq: r.seq, text: frame({ kind: r.kind, id: r.ref }, r.seq) }] : [];
      const brew = r.ref ? brews.get(r.ref) : undefined;
      return brew ? [{ seq: r.seq, text: `id: ${r.seq}\nevent: brew\ndata: ${brew}\n\n` }] : [];
    });
  }

  function give(room: Room, client: Client, text: string, seq: number) {
    client.seq = seq;
    if (client.res.writableLength > MOST_WAITING_BYTES) return leave(room, client);
    client.res.write(text);
  }
  function leave(room: Room, client: Client) {
    if (room.clients.delete(client)) livePages.dec();
    client.res.end();
    if (room.clients.size === 0) rooms.delete(room.siteId);
    if (rooms.size === 0 && looker) {
      clearInterval(looker);
      looker = null;
    }
  }

  async function catchUp(room: Room, client: Client) {
    if (client.catching) return;
    client.catching = true;
    try {
      while (client.seq < room.seq && room.clients.has(client)) {
        const to = room.seq;
        const frames =
          to - client.seq > CATCH_UP ? null : await framesAfter(room.siteId, client.seq, to);
        give(room, client, textOf(frames, to), to);
      }
    } finally {
      client.catching = false;
    }
  }

  /** Tells a room's pages what came up to `head`. */
  async function tell(room: Room, head: number) {
    const from = room.seq;
    const frames = head - from > CATCH_UP ? null : await framesAfter(room.siteId, from, head);
    room.seq = head;
    const text = textOf(frames, head);
    for (const c of [...room.clients]) {
      if (c.seq === from && !c.catching) give(room, c, text, head);
      else void catchUp(room, c).catch(() => leave(room, c));
    }
  }
  /** Of a room that nobody looks at now. @param heads of the rooms: read once for all of them */
  async function look(room: Room, heads: Promise<ReadonlyMap<string, number>>) {
    room.looking = true;
    try {
      const head = (await heads).get(room.siteId) ?? 0;
      room.away = null;
      if (head > room.seq) await tell(room, head);
    } catch {
      // The database is away: pages keep what they have, and the next look tells what they missed.
      room.away ??= performance.now();
      if (performance.now() - room.away > AWAY_MS)
        for (const c of [...room.clients]) leave(room, c);
    } finally {
      room.looking = false;
    }
  }

  function lookAtAll() {
    const free = [...rooms.values()].filter((r) => !r.looking);
    if (free.length === 0) return;
    const heads = headsOf(free.map((r) => r.siteId));
    for (const room of free) void look(room, heads);
  }

  function beat() {
    const text = `event: beat\ndata: ${JSON.stringify({ now: now() })}\n\n`;
    beats += 1;
    for (const room of rooms.values()) {
      for (const c of [...room.clients]) {
        c.res.write(text);
        // A session that has ended hears no more.
        if (beats % 6 === 0)
          void c.check().then(
            (good) => {
              if (!good) leave(room, c);
            },
            () => undefined,
          );
      }
    }
  }
  const beater = setInterval(beat, BEAT_MS);
  const sweeper = setInterval(
    () =>
      void db
        .delete(feed)
        .where(lt(feed.at, new Date(now() - KEPT_MS)))
        .catch(() => undefined),
    SWEEP_MS,
  );
  beater.unref();
  sweeper.unref();

  return {
    /**
     * Looks soon: called after a write here, so that this process need not wait for its next look. Many writes are
     * one look.
     */
    nudge(siteId: string): void {
      const room = rooms.get(siteId);
      if (!room || room.soon) return;
      room.soon = true;
      setTimeout(() => {
        room.soon = false;
        if (!room.looking) void look(room, headsOf([siteId]));
      }, SOON_MS);
    },
    /** Opens a page's stream. `after`: the last it heard of; null: from now on. */
    async join(
      siteId: string,
      after: number | null,
      res: Response,
      check: () => Promise<boolean>,
      name = '',
    ): Promise<void> {
      let leaves: () => void = () => undefined;
      let gone = res.destroyed;
      res.on('close', () => {
        gone = true;
        leaves();
      });
      const head = await headOf(siteId);
      // A page that went while the records were asked is not taken in: nothing would ever take it out.
      if (gone) return;
      const room = rooms.get(siteId) ?? {
        siteId,
        seq: head,
        clients: new Set<Client>(),
        looking: false,
        away: null,
        soon: false,
      };
      rooms.set(siteId, room);
      const start = Math.min(after ?? room.seq, room.seq);
      // It heard of more than there is: the records were put back to an earlier day.
      const ahead = after !== null && after > room.seq;
      const client: Client = { name, since: now(), res, check, seq: start, catching: false };
      res.writeHead(200, {
        'content-type': 'text/event-stream',
        'cache-control': 'no-store, no-transform',
        'x-accel-buffering': 'no',
      });
      res.write(`retry: 1000\n${frame({ kind: 'hello', now: now(), seq: start })}`);
      if (ahead) res.write(frame({ kind: 'reread', seq: start }, start));
      room.clients.add(client);
      livePages.inc();
      leaves = () => leave(room, client);
      looker ??= setInterval(lookAtAll, LOOK_MS);
      await catchUp(room, client);
    },
    /** Pages that listen now, by who is at them. */
    devices: () =>
      [...rooms.values()].flatMap(({ siteId, clients }) =>
        [...clients].map(({ name, since }) => ({ name, siteId, since })),
      ),
    /** Ends every stream, so that the server can stop. */
    close(): void {
      for (const room of [...rooms.values()]) for (const c of [...room.clients]) leave(room, c);
    },
  };
}
export type LiveHub = ReturnType<typeof liveHub>;
