import { boolean, double, index, int, mysqlTable, varchar } from 'drizzle-orm/mysql-core';
import type { BatchPlan } from '#core/cold';
import type { BatchEventBody, ColdPlan } from '#contracts/batches';
import { lots, teas, versions, vessels } from './book';
import { id, instant, json } from './columns';
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
/** How a site's fridge stood. */
export const fridgeReadings = mysqlTable(
  'fridge_readings',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    at: instant('at').notNull(),
    celsius: double('celsius').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
  },
  (t) => [index('fridge_readings_site').on(t.siteId, t.at)],
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
  changed: instant('changed').notNull(),
  changedBy: id('changed_by')
    .notNull()
    .references(() => people.id),
});
