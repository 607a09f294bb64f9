import {
  bigint,
  boolean,
  double,
  index,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  tinyint,
  unique,
  varchar,
} from 'drizzle-orm/mysql-core';
import { PULL_KINDS, type StepRecord } from '#core/brews';
import type { Mark, Verdict } from '#core/corrections';
import type { CupsAsked, Method, Wish } from '#core/recipes';
import type { BrewEventBody } from '#contracts/brewEvents';
import type { Plan } from '#contracts/brewPlan';
import { type Brew, CORRECTIONS, type StartBrew } from '#contracts/brews';
import type { FeedKind } from '#contracts/live';
import { lots, teas, versions, vessels } from './book';
import { batches } from './cold';
import { bytes, id, instant, json } from './columns';
import { people, sites } from './people';
import { programs } from './programs';

/** Later ones stand at the end: so no row is written anew. */
const BREW_STATES = ['warming', 'steeping', 'pulled', 'judged', 'abandoned', 'tasting'] as const;
export const brews = mysqlTable(
  'brews',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    lotId: id('lot_id').references(() => lots.id),
    /** Null: a pot that is not on the shelf; what it is stands in the plan. */
    vesselId: id('vessel_id').references(() => vessels.id),
    versionId: id('version_id')
      .notNull()
      .references(() => versions.id),
    method: varchar('method', { length: 20 }).$type<Method>().notNull(),
    /** The first steep of this leaf; its own id when it is that. */
    leafId: id('leaf_id').notNull(),
    /** The brew it is pulled and judged together with. */
    pairedId: id('paired_id'),
    /** The site's usual kettle when it was started. */
    kettle: varchar('kettle', { length: 60 }).notNull(),
    place: tinyint('place').notNull(),
    plan: json<Plan>('plan').notNull(),
    state: mysqlEnum('state', BREW_STATES).notNull(),
    /** Not yet judged or abandoned: it stands on the bar. */
    open: boolean('open').notNull(),
    startedAt: instant('started_at').notNull(),
    startedBy: id('started_by')
      .notNull()
      .references(() => people.id),
    waterOn: instant('water_on'),
    /** Since when the leaf was out to be tasted, while it is or where the steep was over with that. */
    leafOut: instant('leaf_out'),
    pulled: instant('pulled'),
    pulledBy: id('pulled_by').references(() => people.id),
    /** The shared tablet it was pulled on while nobody was signed in there. */
    pulledDevice: varchar('pulled_device', { length: 60 }),
    ended: instant('ended'),
    judgedBy: id('judged_by').references(() => people.id),
    timing: mysqlEnum('timing', PULL_KINDS),
    /** The colour step that was seen, where the steep was ended by eye. */
    seen: tinyint('seen_colour').$type<Mark>(),
    /** Seconds from best, signed. Null: not ended, or by eye or taste. */
    error: double('error_s'),
    /** Another brew was due when this one was pulled. */
    crowded: boolean('crowded').notNull(),
    marks: json<StepRecord[]>('marks').notNull(),
    readings: json<Brew['readings']>('readings').notNull(),
    /** When the leaf was out to be tasted, and what was tasted; null: never. */
    outs: json<NonNullable<Brew['outs']>>('outs'),
    tastes: json<NonNullable<Brew['tastes']>>('tastes'),
    /** Cups poured one by one while the leaf stays in; null: it was poured off at once. */
    pours: json<NonNullable<Brew['pours']>>('pours'),
    verdictKind: mysqlEnum('verdict_kind', ['right', 'off', 'unjudged']).notNull(),
    verdict: json<Verdict>('verdict'),
    proposal: json<NonNullable<Brew['proposal']>>('proposal'),
    accepted: boolean('accepted'),
    /** What came of the proposal: none was made, it was taken, it was not. */
    correction: mysqlEnum('correction', CORRECTIONS).notNull(),
    remark: varchar('remark', { length: 200 }).notNull(),
    /** Clarity and words of the judged cup and of its leaf; null: none were noted. */
    observed: json<NonNullable<Brew['observed']>>('observed'),
    /** Why a lead left it out of the advice of all cups; null: it counts. */
    leftOutWhy: varchar('left_out_why', { length: 200 }),
    leftOutBy: id('left_out_by').references(() => people.id),
  },
  (t) => {
    // Every filter of the log reads from one of these alone: its own column first, then the order of the log, then
    // all that is
    // filtered by. `features/brews/log.ts` names the one to use.
    const rest = [
      t.startedAt,
      t.id,
      t.siteId,
      t.teaId,
      t.lotId,
      t.vesselId,
      t.startedBy,
      t.method,
      t.verdictKind,
      t.timing,
      t.correction,
      t.state,
    ] as const;
    const by = (name: string, column: (typeof rest)[number]) =>
      index(name).on(column, ...rest.filter((c) => c !== column));
    return [
      index('brews_open').on(t.siteId, t.open),
      index('brews_leaf').on(t.leafId),
      index('brews_pulled_by').on(t.pulledBy, t.pulled, t.timing),
      index('brews_judged_by').on(t.judgedBy, t.startedAt),
      by('log_all', t.startedAt),
      by('log_site', t.siteId),
      by('log_tea', t.teaId),
      by('log_lot', t.lotId),
      by('log_vessel', t.vesselId),
      by('log_person', t.startedBy),
      by('log_method', t.method),
      by('log_verdict', t.verdictKind),
      by('log_timing', t.timing),
      by('log_correction', t.correction),
    ];
  },
);
/** What a judged cup is found by: its clarity and words, small letters. Follows from `observed` of the brew. */
export const brewTerms = mysqlTable(
  'brew_terms',
  {
    term: varchar('term', { length: 50 }).notNull(),
    brewId: id('brew_id')
      .notNull()
      .references(() => brews.id),
  },
  (t) => [primaryKey({ columns: [t.term, t.brewId] }), index('terms_brew').on(t.brewId)],
);
/** Everything that happened, once each: the id is made on the device. */
export const brewEvents = mysqlTable(
  'brew_events',
  {
    id: id('id').primaryKey(),
    brewId: id('brew_id')
      .notNull()
      .references(() => brews.id),
    kind: varchar('kind', { length: 20 }).$type<BrewEventBody['kind'] | 'start'>().notNull(),
    at: instant('at').notNull(),
    received: instant('received').notNull(),
    /** Null: a shared tablet on which nobody was signed in. */
    personId: id('person_id').references(() => people.id),
    device: varchar('device', { length: 60 }),
    body: json<BrewEventBody | StartBrew>('body').notNull(),
    /** The brew's own columns before it, to take it back with. */
    before: json<Record<string, unknown>>('before'),
    undone: boolean('undone').notNull(),
  },
  (t) => [index('events_brew').on(t.brewId, t.at)],
);
/** A picture somebody asked to be kept with a brew: made small, and without what a camera writes beside it. */
export const brewPhotos = mysqlTable(
  'brew_photos',
  {
    id: id('id').primaryKey(),
    brewId: id('brew_id')
      .notNull()
      .references(() => brews.id),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    body: bytes('body').notNull(),
  },
  (t) => [unique('photo_brew').on(t.brewId)],
);
export const leadNotes = mysqlTable(
  'lead_notes',
  {
    id: id('id').primaryKey(),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    /** What it was found in: a brew, or a cold batch. */
    brewId: id('brew_id').references(() => brews.id),
    batchId: id('batch_id').references(() => batches.id),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    at: instant('at').notNull(),
    headline: varchar('headline', { length: 120 }).notNull(),
    change: varchar('change_text', { length: 200 }).notNull(),
    found: varchar('found', { length: 200 }).notNull(),
    settled: instant('settled'),
    settledBy: id('settled_by').references(() => people.id),
  },
  (t) => [index('notes_tea').on(t.teaId, t.settled)],
);
/** What is to be brewed next: a tea, for somebody, perhaps in a vessel. */
export const orders = mysqlTable(
  'orders',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    teaId: id('tea_id')
      .notNull()
      .references(() => teas.id),
    vesselId: id('vessel_id').references(() => vessels.id),
    water: double('water_ml'),
    forWhom: varchar('for_whom', { length: 60 }).notNull(),
    /** Null: as the house has it. */
    wish: json<Wish>('wish'),
    /** The cups of liquor that were asked for; null: by water alone. */
    cups: json<CupsAsked>('cups'),
    /** Smaller is sooner; one put between two takes the middle. */
    rank: double('rank').notNull(),
    state: mysqlEnum('state', ['waiting', 'started', 'dropped']).notNull(),
    /** The brew it was started as. */
    brewId: id('brew_id').references(() => brews.id),
    at: instant('at').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    /** The program that put it; null: a person. */
    programId: id('program_id').references(() => programs.id),
    /** When the program was told that it is ready. */
    readySaid: instant('ready_said'),
  },
  (t) => [
    index('orders_waiting').on(t.siteId, t.state, t.rank),
    index('orders_program').on(t.programId, t.at),
  ],
);
/**
 * What happened at a site, numbered without gaps in the order it was committed: what every open page is told. Swept
 * after a while. Without a foreign key to the site: the check would lock the site's row, which the writers of its bar
 * hold, and two of them would wait for each other.
 */
export const feed = mysqlTable(
  'feed',
  {
    siteId: id('site_id').notNull(),
    seq: bigint('seq', { mode: 'number' }).notNull(),
    kind: varchar('kind', { length: 12 }).$type<FeedKind>().notNull(),
    ref: id('ref'),
    at: instant('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.siteId, t.seq] }), index('feed_at').on(t.at)],
);
export const feedHeads = mysqlTable('feed_heads', {
  siteId: id('site_id').primaryKey(),
  seq: bigint('seq', { mode: 'number' }).notNull(),
});
