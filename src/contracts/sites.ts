import { z } from 'zod';
import { type HouseLimits, LIMIT_RANGES, type LimitName, USUAL_HOUSE_LIMITS } from '#core/cold';
import { type Material, MATERIAL_NAMES } from '#core/heat';
import {
  DATE_ORDERS,
  isZone,
  type Region,
  type SiteWeek,
  type WallRange,
  type Week,
  WEEK_BEGINS,
} from '#core/time';
import type { Celsius, Millilitres } from '#core/units';
import { FILTER_DAYS, HARDNESS, type SiteWater, type WaterFilter } from '#core/water';
import { endpoint } from './endpoint';
import { Role } from './people';
import { Id, Name, oneOf, quantity, Text } from './primitives';
import { ROUTES } from './routes';

export const VolumeChoice = z.enum(['ml', 'usFlOz', 'imperialFlOz']);
export type VolumeChoice = z.infer<typeof VolumeChoice>;

/** Times are written as the clock of this zone shows them. */
export const ZoneName = Text(60).refine(isZone, 'That time zone is not known.');
const Clock = z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, 'A time is 00:00 to 23:59.');
const DayHours: z.ZodType<WallRange[]> = z.array(z.tuple([Clock, Clock])).max(12);
const WeekHours: z.ZodType<Week> = z.tuple([
  DayHours,
  DayHours,
  DayHours,
  DayHours,
  DayHours,
  DayHours,
  DayHours,
]);
/** The clock of a site and its week, Monday first: when hands are there, when they would rather work, what it serves. */
export const SiteHours = z.strictObject({
  zone: ZoneName,
  open: WeekHours,
  preferred: WeekHours,
  services: WeekHours,
  /** Days that are unlike their weekday. */
  exceptions: z
    .record(z.iso.date(), z.strictObject({ open: DayHours, services: DayHours }))
    .refine((days) => Object.keys(days).length <= 400, 'At most 400 other days.')
    .optional(),
}) satisfies z.ZodType<SiteWeek & { zone: string }>;
export type SiteHours = z.infer<typeof SiteHours>;

const withinLimits = (name: LimitName) =>
  z.number().min(LIMIT_RANGES[name][0]).max(LIMIT_RANGES[name][1]);
export const SiteLimits = z.strictObject({
  keepHours: withinLimits('keepHours'),
  warmStartKeepHours: withinLimits('warmStartKeepHours'),
  limit: quantity<Celsius>({ min: LIMIT_RANGES.limit[0], max: LIMIT_RANGES.limit[1] }),
  warmHours: withinLimits('warmHours'),
  coolHours: withinLimits('coolHours'),
  counterHours: withinLimits('counterHours'),
  wetLeafHours: withinLimits('wetLeafHours').default(USUAL_HOUSE_LIMITS.wetLeafHours),
  counterAllowed: z.boolean().optional(),
}) satisfies z.ZodType<HouseLimits>;
export type SiteLimits = z.infer<typeof SiteLimits>;

/** What a lead types of the law of the place. The local code decides; Limnos only repeats what is typed here. */
export const SiteSafety = z.strictObject({
  /** The local food code, as it is called. */
  codeName: Text(80),
  /** Where the code is read; empty: on paper. */
  codeLink: z.union([
    z.literal(''),
    z
      .url({ protocol: /^https?$/, error: 'A link begins with https:// or http://.' })
      .max(200, 'At most 200 letters.'),
  ]),
  /** Tea that is kept hot stays at least so hot; null: nothing is kept hot here. */
  hotHold: quantity<Celsius>({ min: 50, max: 90 }).nullable(),
  /** Printed on every card that leaves the shop. */
  cardWords: Text(140),
});
export type SiteSafety = z.infer<typeof SiteSafety>;
/** The filter before the kettle: when it was changed last, and for how many days it is used. */
export const FilterBody = z.strictObject({
  changed: z.iso.date('There is no such day.'),
  everyDays: z
    .number()
    .int('Whole days.')
    .min(FILTER_DAYS.least, `At least ${FILTER_DAYS.least} days.`)
    .max(FILTER_DAYS.most, `At most ${FILTER_DAYS.most} days.`),
}) satisfies z.ZodType<WaterFilter>;
export const SiteRegion = z.strictObject({
  dates: z.enum(DATE_ORDERS),
  hours: z.union([z.literal(12), z.literal(24)]),
  weekBegins: z.enum(WEEK_BEGINS),
}) satisfies z.ZodType<Region>;
/** A site: what the working needs of a place, and the units its people read. */
export const SiteFields = z.strictObject({
  name: Name,
  altitudeM: z.number().min(-400, 'Lower than any shore.').max(5000, 'Higher than any tea room.'),
  measuredBoiling: quantity<Celsius>({ min: 80, max: 102 }).nullable(),
  coldWater: quantity<Celsius>({ min: 1, max: 30 }),
  ambient: quantity<Celsius>({ min: 5, max: 40 }),
  /** Share of the difference to the air lost in the pour; null until measured. */
  pourLoss: z.number().min(0).max(0.25).nullable(),
  kettle: z.strictObject({
    volume: quantity<Millilitres>({ min: 200, max: 40_000 }),
    material: oneOf<Material>(MATERIAL_NAMES),
    lid: z.boolean(),
    /** Of the house's usual kettle, once it is fitted; null: by its kind. */
    rate: z.strictObject({ a: z.number().positive(), b: z.number().min(0) }).nullable(),
    name: z.string().max(60),
  }),
  /** What comes from the tap here; very hard water mutes aroma and dulls colour. */
  water: z.strictObject({
    hardness: z.enum(HARDNESS),
    filtered: z.boolean(),
    /** Null or absent: nobody keeps the date of the filter here. */
    filter: FilterBody.nullable().optional(),
  }) satisfies z.ZodType<SiteWater>,
  volumeUnit: VolumeChoice,
  temperatureUnit: z.enum(['C', 'F']),
  /** How dates and times are written here; null: "3 Nov 14:05", weeks from Monday. */
  region: SiteRegion.nullable().default(null),
  /** Null: not typed yet; nothing is planned, and times are the device’s. */
  hours: SiteHours.nullable().default(null),
  /** Of cold liquor; null: as is usual. */
  limits: SiteLimits.nullable().default(null),
  /** Null: nothing typed yet. */
  safety: SiteSafety.nullable().default(null),
});
export const Site = SiteFields.extend({ id: Id, rev: z.number().int() });
export type Site = z.infer<typeof Site>;
export type SiteFields = z.infer<typeof SiteFields>;

/** What a person reads in; null: as the site does. */
export const OwnUnits = z.strictObject({
  volume: VolumeChoice.nullable(),
  temperature: z.enum(['C', 'F']).nullable(),
});
export const Session = z.strictObject({
  personId: Id,
  name: z.string(),
  role: Role,
  site: Site,
  sites: z.array(Site),
  units: OwnUnits.nullable(),
  /** The shared tablet's name while nobody is signed in on it: it shows the bar and lets a steep be pulled. */
  lockedAs: z.string().nullable(),
});
export type Session = z.infer<typeof Session>;

export const getHouse = endpoint(ROUTES.getHouse, {
  response: z.strictObject({
    now: z.number(),
    state: z.enum(['empty', 'ready']),
    demo: z.boolean(),
    /** Empty, and begun only with the word that stands where the server was started. */
    asksWord: z.boolean(),
    sites: z.array(z.strictObject({ id: Id, name: z.string(), altitudeM: z.number() })),
    session: Session.nullable(),
    /** The paired device that asks; null: it is none. */
    device: z
      .strictObject({ name: z.string(), siteId: Id, revoked: z.boolean() })
      .nullable()
      .default(null),
  }),
});
export type House = z.infer<typeof getHouse.response>;

/** The first site and lead of an empty house; refused ever after. */
export const beginHouse = endpoint(ROUTES.beginHouse, {
  body: z.strictObject({
    site: SiteFields,
    siteId: Id,
    lead: z.strictObject({ id: Id, name: Name, secret: z.string().max(200) }),
    word: z.string().trim().max(40).default(''),
  }),
  response: Session,
});
/** A repeated id is the same site. */
export const addSite = endpoint(ROUTES.addSite, {
  body: SiteFields.extend({
    id: Id,
    /** A site whose shelf, hours and limits it begins with; null: an empty shelf. */
    likeSiteId: Id.nullable().default(null),
  }),
  response: Site,
});
export const changeSite = endpoint(ROUTES.changeSite, {
  params: z.strictObject({ id: Id }),
  body: SiteFields.extend({ rev: z.number().int() }),
  response: Site,
});
/** A new filter is in, since a day: by whoever changed it. */
export const changeFilter = endpoint(ROUTES.changeFilter, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ changed: z.iso.date('There is no such day.') }),
  response: Site,
});
export const signIn = endpoint(ROUTES.signIn, {
  body: z.strictObject({
    personId: Id,
    siteId: Id,
    secret: z.string().min(1, 'Type the PIN.').max(200),
  }),
  response: Session,
});
export const setMyUnits = endpoint(ROUTES.setMyUnits, {
  body: OwnUnits.partial(),
  response: OwnUnits,
});
export const signOut = endpoint(ROUTES.signOut, { response: z.strictObject({}) });
/** Leaves the session on the tablet, as the tablet's: whoever comes next types a PIN. Done twice it is done once. */
export const lockSession = endpoint(ROUTES.lockSession, {
  body: z.strictObject({ device: Name }),
  response: z.strictObject({}),
});
