import {
  boolean,
  double,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  primaryKey,
  tinyint,
  varchar,
} from 'drizzle-orm/mysql-core';
import type { BackupPlan } from '#core/backups';
import type { Session, SiteFields } from '#contracts/sites';
import type { SchoolSettings } from '#contracts/training';
import { id, instant, json, name } from './columns';

/** One row: what is true of the whole house. */
export const house = mysqlTable('house', {
  id: tinyint('id').primaryKey(),
  demo: boolean('demo').notNull(),
  begun: instant('begun').notNull(),
  /** Tasting words in the house's order. */
  vocabulary: json<string[]>('vocabulary').notNull(),
  /** Its courses and what a brewer is signed for; null: as is usual. */
  school: json<SchoolSettings>('school'),
  /** When it backs itself up; null: as is usual. */
  backups: json<BackupPlan>('backups'),
});
export const sites = mysqlTable('sites', {
  id: id('id').primaryKey(),
  name: name('name').notNull(),
  altitudeM: double('altitude_m').notNull(),
  measuredBoiling: double('measured_boiling_c'),
  coldWater: double('cold_water_c').notNull(),
  ambient: double('ambient_c').notNull(),
  pourLoss: double('pour_loss'),
  kettle: json<SiteFields['kettle']>('kettle').notNull(),
  water: json<SiteFields['water']>('water').notNull(),
  volumeUnit: mysqlEnum('volume_unit', ['ml', 'usFlOz', 'imperialFlOz']).notNull(),
  temperatureUnit: mysqlEnum('temperature_unit', ['C', 'F']).notNull(),
  /** How dates and times are written; null: as is usual. */
  region: json<NonNullable<SiteFields['region']>>('region'),
  /** Its clock and its week; null: not typed yet. */
  hours: json<NonNullable<SiteFields['hours']>>('hours'),
  /** Of cold liquor; null: as is usual. */
  limits: json<NonNullable<SiteFields['limits']>>('limits'),
  /** The local food code and words on cards; null: not typed yet. */
  safety: json<NonNullable<SiteFields['safety']>>('safety'),
  rev: int('rev').notNull().default(1),
});
export const people = mysqlTable('people', {
  id: id('id').primaryKey(),
  name: name('name').notNull(),
  role: mysqlEnum('role', ['trainee', 'brewer', 'lead']).notNull(),
  secretHash: varchar('secret_hash', { length: 200 }).notNull(),
  active: boolean('active').notNull(),
  rev: int('rev').notNull().default(1),
  /** What this person reads in, where it differs from the site. */
  units: json<NonNullable<Session['units']>>('units'),
});
export const personSites = mysqlTable(
  'person_sites',
  {
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
  },
  (t) => [primaryKey({ columns: [t.personId, t.siteId] })],
);
/** Tablets and phones of the house; only hashes of code and cookie are kept. */
export const devices = mysqlTable(
  'devices',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    name: name('name').notNull(),
    tokenHash: varchar('token_hash', { length: 64 }),
    /** Of the request that made the last code. */
    codeId: id('code_id'),
    codeHash: varchar('code_hash', { length: 64 }),
    codeUntil: instant('code_until'),
    added: instant('added').notNull(),
    addedBy: id('added_by')
      .notNull()
      .references(() => people.id),
    paired: instant('paired'),
    seen: instant('seen'),
    revoked: instant('revoked'),
  },
  (t) => [index('devices_token').on(t.tokenHash), index('devices_code').on(t.codeHash)],
);
/** Only the hash of the cookie is kept. */
export const sessions = mysqlTable(
  'sessions',
  {
    tokenHash: varchar('token_hash', { length: 64 }).primaryKey(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    begun: instant('begun').notNull(),
    expires: instant('expires').notNull(),
    /** A shared tablet nobody is at: it shows the bar and lets a steep be pulled, as the tablet so named. */
    lockedAs: varchar('locked_as', { length: 60 }),
    /** The paired device it is on; null: any other. */
    deviceId: id('device_id').references(() => devices.id),
    /** What its browser says that it is. */
    agent: varchar('agent', { length: 60 }).notNull().default(''),
    /** When it asked for something last, to the minute. */
    seen: instant('seen'),
  },
  (t) => [index('sessions_person').on(t.personId, t.begun)],
);
/** Wrong secrets, by person and by address. */
export const signinMisses = mysqlTable('signin_misses', {
  subject: varchar('subject', { length: 80 }).primaryKey(),
  misses: int('misses').notNull(),
  last: instant('last').notNull(),
});
