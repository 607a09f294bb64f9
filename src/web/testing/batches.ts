import { samplePlan } from '#core/testing';
import { type EpochMs, epochMs, millilitres } from '#core/units';
import type { Batch } from '#contracts/batches';
import type { BatchHappened } from '#contracts/batchEvents';

// Cold batches as the server has them, for the tests of pages and models.

/** Its leaf went in on a Monday morning. */
export const LEAF_IN = epochMs(Date.UTC(2026, 4, 4, 8));
export const after = (hours: number): EpochMs => epochMs(LEAF_IN + hours * 3_600_000);

export const PLAN = samplePlan('fridge');
export const EXTRACT = samplePlan('extract');
/** Hours to the best time of `PLAN`. */
export const BEST = PLAN.window.best / 3600;

/** A batch in a pitcher of its own, its leaf still in. */
export const batchOf = (name: string, over: Partial<Batch> = {}): Batch => ({
  id: `0197c000-0000-7000-8000-${[...name]
    .map((c) => c.charCodeAt(0).toString(16))
    .join('')
    .padStart(12, '0')
    .slice(-12)}`,
  siteId: '0197c000-0000-7000-8000-000000000001',
  tea: {
    id: '0197c000-0000-7000-8000-000000000010',
    name: 'Kestry Pearl',
    style: 'green-pan',
    allergens: '',
  },
  lot: null,
  versionId: '0197c000-0000-7000-8000-000000000011',
  versionNumber: 1,
  vesselId: `0197c000-0000-7000-8000-${name.length}00000000000`,
  vesselName: `Pitcher ${name}`,
  plan: PLAN,
  leafIn: LEAF_IN,
  startedBy: { id: '0197c000-0000-7000-8000-000000000002', name: 'Dov R.' },
  events: [],
  ...over,
});
type Done = BatchHappened extends infer E
  ? E extends unknown
    ? Omit<E, 'id' | 'at' | 'by' | 'flag'>
    : never
  : never;
/** Something done to it so many hours after its leaf went in. */
export const done = (hours: number, what: Done): BatchHappened =>
  ({
    ...what,
    id: `0197c000-0000-7000-8000-${String(Math.round(hours * 100)).padStart(12, '0')}`,
    at: after(hours),
    by: 'Dov R.',
    flag: null,
  }) as BatchHappened;
export const lifted = (hours: number): BatchHappened =>
  done(hours, { kind: 'lift', yield: millilitres(900), squeezed: false });
