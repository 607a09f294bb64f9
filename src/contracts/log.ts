import { z } from 'zod';
import { PULL_KINDS } from '#core/brews';
import { PROPOSED_LEVERS } from '#core/corrections';
import { type Method, METHOD_NAMES } from '#core/recipes';
import type { Chart, CorrectionRecord, Drift, GroupRow } from '#core/trends';
import { Brew, CORRECTIONS } from './brews';
import { Bytes, endpoint } from './endpoint';
import { Id, InstantText, oneOf, PictureBytes, Who } from './primitives';
import { ROUTES } from './routes';

/** The picture of a colour reading, where somebody asked for it to be kept. One a brew: a new one takes the place. */
export const setBrewPhoto = endpoint(ROUTES.setBrewPhoto, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({ id: Id }),
  body: PictureBytes,
  brings: 'picture',
  response: z.strictObject({ id: Id }),
});

/** For whoever kept it, and for a lead. */
export const dropBrewPhoto = endpoint(ROUTES.dropBrewPhoto, {
  params: z.strictObject({ id: Id }),
  response: z.strictObject({}),
});

export const getBrewPhoto = endpoint(ROUTES.getBrewPhoto, {
  params: z.strictObject({ id: Id }),
  response: Bytes,
});

export const VERDICT_FILTERS = ['right', 'off', 'unjudged'] as const;

/** `outside`: not in its window, whichever way. */
export const PULL_FILTERS = [...PULL_KINDS, 'outside'] as const;

export const LogFilters = z.strictObject({
  siteId: Id.optional(),
  teaId: Id.optional(),
  lotId: Id.optional(),
  vesselId: Id.optional(),
  personId: Id.optional(),
  method: oneOf<Method>(METHOD_NAMES).optional(),
  verdict: z.enum(VERDICT_FILTERS).optional(),
  pull: z.enum(PULL_FILTERS).optional(),
  correction: z.enum(CORRECTIONS).optional(),
  /** Noted with this: "cloudy", "malty", "leaf: even". */
  noted: z.string().trim().max(50).optional(),
  /** Started at or after, and before. */
  from: InstantText.optional(),
  to: InstantText.optional(),
});
export type LogFilters = z.infer<typeof LogFilters>;

export const LogQuery = LogFilters.extend({
  /** Keyset: the last row's start and id. */
  before: z
    .string()
    .regex(/^\d{12,14}_[0-9a-f-]{36}$/)
    .optional(),
});
export type LogQuery = z.infer<typeof LogQuery>;

export const listBrews = endpoint(ROUTES.listBrews, {
  query: LogQuery,
  response: z.strictObject({
    brews: z.array(Brew),
    next: z.string().nullable(),
    /**
     * Of the newest `COUNTED` (limits.ts) that match; null on later pages, and for a word with which more cups were
     * noted than a page has.
     */
    counts: z
      .strictObject({
        all: z.number(),
        inWindow: z.number(),
        late: z.number(),
        early: z.number(),
        forgotten: z.number(),
      })
      .nullable(),
    people: z.array(Who),
    /** What cups of this house were noted with; empty on later pages. */
    terms: z.array(z.string()),
  }),
});
/** Some of the brews asked for, with what the whole list comes to. */
export type LogPart = z.infer<typeof listBrews.response>;

/** The filtered log as a file; rows stream. */
export const exportBrews = endpoint(ROUTES.exportBrews, {
  params: z.strictObject({ form: z.enum(['csv', 'json']) }),
  query: LogFilters,
  response: Bytes,
});

export const MEASURES = ['pull', 'colour', 'verdict', 'clarity'] as const;

export type Measure = (typeof MEASURES)[number];

const TrendPoint = z.strictObject({
  id: Id,
  at: z.number(),
  value: z.number(),
  teaId: Id,
  tea: z.string(),
  vessel: z.string(),
});
export type TrendPoint = z.infer<typeof TrendPoint>;

const Places = z.array(z.number().int()).readonly();
const ChartBody = z.strictObject({
  n: z.number().int(),
  mean: z.number(),
  step: z.number(),
  upper: z.number(),
  lower: z.number(),
  stepLimit: z.number(),
  outside: Places,
  leaps: Places,
  runs: z
    .array(
      z.strictObject({
        from: z.number().int(),
        to: z.number().int(),
        side: z.enum(['above', 'below']),
      }),
    )
    .readonly(),
}) satisfies z.ZodType<Chart>;
const DriftBody = z.strictObject({
  by: z.enum(['tea', 'lot', 'vessel', 'kettle', 'hour', 'crowded']),
  of: z.string(),
  headline: z.string(),
  evidence: z.string(),
  p: z.number(),
}) satisfies z.ZodType<Drift>;
const GroupRows = z.array(
  z.strictObject({
    key: z.string(),
    name: z.string(),
    n: z.number().int(),
    meanError: z.number().nullable(),
    late: z.number().int(),
    judged: z.number().int(),
    right: z.number().int(),
    looked: z.number().int(),
    notClear: z.number().int(),
  }) satisfies z.ZodType<GroupRow>,
);
const Trends = z.strictObject({
  measure: z.enum(MEASURES),
  points: z.array(TrendPoint),
  chart: ChartBody.nullable(),
  /** What has moved at the site, out of so many brews since an instant. */
  drifts: z.array(DriftBody),
  looked: z.number().int(),
  since: z.number().nullable(),
  tables: z.strictObject({ tea: GroupRows, vessel: GroupRows, kettle: GroupRows, hour: GroupRows }),
});
export type Trends = z.infer<typeof Trends>;

/** The last brews in order, their limits, and what drifts. A person's own figures are theirs and their leads'. */
export const getTrends = endpoint(ROUTES.getTrends, {
  query: z.strictObject({
    siteId: Id,
    measure: z.enum(MEASURES).default('pull'),
    last: z.coerce.number().int().min(8).max(600).default(60),
    zone: z.string().max(60).default('UTC'),
    teaId: Id.optional(),
    lotId: Id.optional(),
    vesselId: Id.optional(),
    personId: Id.optional(),
    kettle: z.string().max(60).optional(),
    hour: z.coerce.number().int().min(0).max(23).optional(),
  }),
  response: Trends,
});

const Tally = z.strictObject({
  better: z.number().int(),
  same: z.number().int(),
  worse: z.number().int(),
  n: z.number().int(),
  share: z.number().nullable(),
  interval: z.tuple([z.number(), z.number()]).readonly(),
});
const CorrectionRecordBody = z.strictObject({
  taken: Tally,
  notTaken: Tally,
  byTea: z.array(Tally.extend({ key: Id, name: z.string() })).readonly(),
  byLever: z.array(Tally.extend({ key: z.enum(PROPOSED_LEVERS) })).readonly(),
  ofAllCups: Tally.extend({ words: z.string() }),
  waiting: z.number().int(),
  words: z.string(),
}) satisfies z.ZodType<CorrectionRecord>;
/** What came of the corrections of a site's last judged brews. Nobody is named. */
export const getCorrections = endpoint(ROUTES.getCorrections, {
  query: z.strictObject({ siteId: Id }),
  response: z.strictObject({
    record: CorrectionRecordBody,
    looked: z.number().int(),
    since: z.number().nullable(),
  }),
});

/** How the last brews of a tea were pulled at the signed person's site: seconds from best, signed. Nobody is named. */
export const getPulls = endpoint(ROUTES.getPulls, {
  params: z.strictObject({ id: Id }),
  response: z.strictObject({ errors: z.array(z.number()) }),
});
