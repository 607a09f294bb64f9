import { z } from 'zod';
import type { Fit, FitScore, Scores } from '#core/fitting';
import type { StyleId } from '#core/styles';
import { endpoint } from './endpoint';
import { Id, type Who } from './primitives';
import { ROUTES } from './routes';

/** One cup of this house that a tea is fitted to, and what the style and the fit say of it. */
export type FitCup = {
  readonly id: string;
  readonly from: 'table' | 'bar';
  readonly at: number;
  readonly words: string;
  /** As it was really made: g, ml, C on the leaf, s. */
  readonly grams: number;
  readonly water: number;
  readonly celsius: number;
  readonly seconds: number;
  /** How many tasted it; 0 when it was only measured. */
  readonly n: number;
  readonly scores: Readonly<Partial<Record<FitScore, number>>>;
  readonly solids: number | null;
  readonly colour: number | null;
  readonly style: Scores;
  readonly fitted: Scores | null;
  readonly left: boolean;
};
type Fitted = Extract<Fit, { kind: 'fitted' }>;
/** A fit that was taken, with how many cups it was drawn from. */
export type KeptFit = {
  readonly id: string;
  readonly state: 'inUse' | 'aside';
  readonly by: z.infer<typeof Who>;
  readonly at: number;
  readonly fit: Omit<Fitted, 'kind' | 'iterations'> & {
    readonly cups: number;
    readonly style: StyleId;
  };
};
/** The multipliers a tea goes by: a fit of another style says nothing of it, whoever changed that, and rests. */
export const fittedBy = (
  fit: KeptFit['fit'] | null | undefined,
  style: StyleId,
): KeptFit['fit']['multipliers'] | null => (fit && fit.style === style ? fit.multipliers : null);
/** What is known of a tea in this house: its cups, what they teach now, what was taken before. */
export type TeaFitPage = {
  readonly cups: readonly FitCup[];
  readonly right: Scores;
  readonly fit: Fit;
  readonly kept: readonly KeptFit[];
};

/** Cups left out by hand: their ids, joined by commas. */
const Without = z
  .string()
  .max(4000)
  .regex(/^[0-9a-f-]+(:\d+)?(,[0-9a-f-]+(:\d+)?)*$/)
  .optional();
export const getFit = endpoint(ROUTES.getFit, {
  params: z.strictObject({ id: Id }),
  query: z.strictObject({ without: Without }),
  response: z.custom<TeaFitPage>(),
});
/** Works it out again from the cups that are there, and uses it from now on. A repeated id changes nothing. */
export const useFit = endpoint(ROUTES.useFit, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ id: Id, without: Without }),
  response: z.custom<TeaFitPage>(),
});
/** Sets a fit aside, or takes up one that was. */
export const moveFit = endpoint(ROUTES.moveFit, {
  params: z.strictObject({ id: Id }),
  body: z.strictObject({ to: z.enum(['inUse', 'aside']) }),
  response: z.custom<TeaFitPage>(),
});
