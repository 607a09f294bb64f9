import {
  boolean,
  double,
  index,
  int,
  mysqlEnum,
  mysqlTable,
  varchar,
} from 'drizzle-orm/mysql-core';
import { type Kettle, KETTLE_KINDS } from '#contracts/kettles';
import { id, instant, json, name } from './columns';
import { people, sites } from './people';

/** A house's own spoons and scoops, beside the trade's. */
export const spoons = mysqlTable('spoons', {
  id: id('id').primaryKey(),
  name: name('name').notNull(),
  ml: double('ml').notNull(),
  heaped: boolean('heaped').notNull(),
  rev: int('rev').notNull(),
  retired: boolean('retired').notNull(),
});
export const kettles = mysqlTable(
  'kettles',
  {
    id: id('id').primaryKey(),
    siteId: id('site_id')
      .notNull()
      .references(() => sites.id),
    name: name('name').notNull(),
    kind: mysqlEnum('kind', KETTLE_KINDS).notNull(),
    volume: double('volume_ml').$type<Kettle['volume']>().notNull(),
    material: varchar('material', { length: 20 }).$type<Kettle['material']>().notNull(),
    lid: boolean('lid').notNull(),
    /** The heats it can be set to; null when it only boils. */
    setPoints: json<NonNullable<Kettle['setPoints']>>('set_points'),
    note: varchar('note', { length: 200 }).notNull(),
    rev: int('rev').notNull(),
    retired: boolean('retired').notNull(),
  },
  (t) => [index('kettles_site').on(t.siteId)],
);
/** A thermometer in a kettle, or in what was just poured from it. */
export const kettleReadings = mysqlTable(
  'kettle_readings',
  {
    id: id('id').primaryKey(),
    kettleId: id('kettle_id')
      .notNull()
      .references(() => kettles.id),
    kind: mysqlEnum('kind', ['cooling', 'poured']).notNull(),
    /** Readings of one boil belong together. */
    boil: id('boil').notNull(),
    seconds: double('seconds').notNull(),
    celsius: double('celsius').notNull(),
    /** In the kettle at that moment; of a poured reading only. */
    kettleCelsius: double('kettle_celsius'),
    water: double('water_ml').notNull(),
    ambient: double('ambient_c').notNull(),
    simulated: boolean('simulated').notNull(),
    at: instant('at').notNull(),
    personId: id('person_id')
      .notNull()
      .references(() => people.id),
  },
  (t) => [index('readings_kettle').on(t.kettleId, t.at)],
);
