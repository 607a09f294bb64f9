import {
  boolean,
  char,
  double,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { type BatchPlan, CALENDAR_STATUSES, PROBE_DOUBTS } from '#core/cold';
import type { BatchEventBody } from '#contracts/batchEvents';
import type { ColdPlan } from '#contracts/coldPlans';
import { lots, teas, versions, vessels } from './book';
import { id, instant, json, name } from './columns';
import { people, sites } from './people';

/** Cold brews: what each was begun with. How it stands follows from its events. */
export const batches = mysqlTable(
  'batches',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    lotId: id('lot_id').references(() => lots.id),
    versionId: id('version_id')
      .notNull()
      .references(() => versions.id),
    vesselId: id('vessel_id')
      .notNull()
      .references(() => vessels.id),
    plan: json<BatchPlan>('plan').notNull(),
    leafIn: instant('leaf_in').notNull(),
    startedBy: id('started_by')
      .notNull()
      .references(() => people.id),
    /** Follows from the events; kept for lists. */
    standing: boolean('standing').notNull(),
    /** Null while it stands. */
    ended: instant('ended'),
  },
  (t) => [
    index('batches_site').on(t.siteId, t.standing),
    index('batches_ended').on(t.siteId, t.ended),
  ],
);
/** Everything that was done to a batch, once each. */
export const batchEvents = mysqlTable(
  'batch_events',
  {
    id: id('id').primaryKey(),
    batchId: id('batch_id')
      .notNull()
      .references(() => batches.id),
    at: instant('at').notNull(),
    received: instant('received').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    body: json<BatchEventBody>('body').notNull(),
    /** Made without a network where it would have been refused: what was wrong with it. */
    flag: varchar('flag', { length: 200 }),
  },
  (t) => [index('batch_events_batch').on(t.batchId)],
);
/** A thermometer in a site's fridge that sends its readings itself; of its key only the hash is kept. */
export const probes = mysqlTable(
  'probes',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    name: name('name').notNull(),
    keyHash: char('key_hash', { length: 64 }).notNull(),
    added: instant('added').notNull(),
    addedBy: id('added_by')
      .notNull()
      .references(() => people.id),
    /** Its key opens nothing any more since then. */
    ended: instant('ended'),
    /** When it sent a reading last, believed or not. */
    heard: instant('heard'),
    /** Why the last reading was not believed; null: it was. */
    doubt: mysqlEnum('doubt', PROBE_DOUBTS),
    /** The value it sends, and since when it has sent no other. */
    value: double('value'),
    valueSince: instant('value_since'),
  },
  (t) => [unique('probe_key').on(t.keyHash), index('probes_site').on(t.siteId)],
);
/** How a site's fridge stood: typed by a person, or sent by a probe. */
export const fridgeReadings = mysqlTable(
  'fridge_readings',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    at: instant('at').notNull(),
    celsius: double('celsius').notNull(),
    personId: id('person_id').references(() => people.id),
    probeId: id('probe_id').references(() => probes.id),
  },
  (t) => [
    index('fridge_readings_site').on(t.siteId, t.at),
    unique('fridge_readings_probe').on(t.probeId, t.at),
  ],
);
/** A stretch without readings that a lead knows of: the warmer reading of both ends holds for it. */
export const fridgeGaps = mysqlTable(
  'fridge_gaps',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    from: instant('from_at').notNull(),
    to: instant('to_at').notNull(),
    reason: varchar('reason', { length: 200 }).notNull(),
    at: instant('at').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
  },
  (t) => [index('fridge_gaps_site').on(t.siteId)],
);
/** The secret part of a calendar's address, hashed. A site has one that holds; those before it answer that they ended. */
export const calendarTokens = mysqlTable(
  'calendar_tokens',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    hash: char('hash', { length: 64 }).notNull(),
    made: instant('made').notNull(),
    madeBy: id('made_by')
      .notNull()
      .references(() => people.id),
    ended: instant('ended'),
  },
  (t) => [unique('calendar_token').on(t.hash), index('calendar_site').on(t.siteId)],
);
/** What the calendar of a site said last, so that an entry that moves is told to be newer. */
export const calendarEntries = mysqlTable(
  'calendar_entries',
  {
    uid: varchar('uid', { length: 80 }).primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    from: instant('from_at').notNull(),
    to: instant('to_at').notNull(),
    alarm: instant('alarm_at'),
    status: mysqlEnum('status', CALENDAR_STATUSES).notNull(),
    summary: varchar('summary', { length: 200 }).notNull(),
    sequence: int('sequence').notNull(),
    changed: instant('changed').notNull(),
  },
  (t) => [index('calendar_entries_site').on(t.siteId)],
);
/** What a site wants of its cold teas and the batches it means to begin; a site without a row has planned nothing. */
export const coldPlans = mysqlTable('cold_plans', {
  siteId: id('site_id')
    .primaryKey()
    .references(() => sites.id),
  rev: int('rev').notNull(),
  demand: json<ColdPlan['demand']>('demand').notNull(),
  batches: json<ColdPlan['batches']>('batches').notNull(),
  places: int('places'),
  leftFree: json<ColdPlan['leftFree']>('left_free'),
  changed: instant('changed').notNull(),
  changedBy: id('changed_by')
    .notNull()
    .references(() => people.id),
});
