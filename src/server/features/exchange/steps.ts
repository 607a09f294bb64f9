import { and, eq, inArray } from 'drizzle-orm';
import { METHODS, type Recipe } from '#core/recipes';
import type { Version } from '#contracts/recipes';
import type { LotFields } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { brews, house, lots, photos, spoons, teas, versions, vessels } from '../../db/schema';
import { AppError } from '../../http/errors';
import type { RecordChange } from '../history';
import { type TeaRecord, vocabularyOf } from '../teas';
import type { SpoonRecord, VesselRecord } from './records';

type Add<T> = { readonly what: 'added'; readonly after: T };
type Change<T> = {
  readonly what: 'changed';
  readonly rev: number;
  readonly before: T;
  readonly after: T;
};
type On<N extends string, T> = {
  readonly thing: N;
  readonly id: string;
  readonly name: string;
  readonly row: number;
} & (Add<T> | Change<T>);
type LotRecord = LotFields & { teaId: string };
type VersionRecord = {
  teaId: string;
  method: Version['method'];
  number: number;
  state: Version['state'];
  recipe: Recipe;
  reason: string;
  author: string | null;
  at: number;
};

/** One thing an import does, with what is needed to take it back. */
export type Step =
  | On<'tea', TeaRecord>
  | On<'lot', LotRecord>
  | On<'vessel', VesselRecord>
  | On<'spoon', SpoonRecord>
  | ({
      readonly thing: 'version';
      readonly id: string;
      readonly name: string;
      readonly row: number;
      /** What stood and is retired by it. */ readonly retires: readonly {
        id: string;
        state: 'house' | 'trial';
      }[];
    } & Add<VersionRecord>)
  | {
      readonly thing: 'vocabulary';
      readonly id: 'house';
      readonly name: string;
      readonly row: number;
      readonly what: 'changed';
      readonly before: readonly string[];
      readonly after: readonly string[];
    };

const movedOn = (name: string) =>
  new AppError(
    'record.changed',
    409,
    `${name} was changed meanwhile. Look at the file again: nothing was written.`,
  );
const cannotUndo = (name: string, why: string) =>
  new AppError('record.changed', 409, `It cannot be taken back: ${name} ${why}.`);

/** Tables of records with a revision: an import adds and changes them in one way. */
const TABLES = { tea: teas, lot: lots, vessel: vessels, spoon: spoons };
type RecordStep = Extract<Step, { thing: keyof typeof TABLES }>;
type VersionStep = Extract<Step, { thing: 'version' }>;
type VocabularyStep = Extract<Step, { thing: 'vocabulary' }>;
const isRecord = (s: Step): s is RecordStep => s.thing in TABLES;

const add = async (tx: Tx, s: RecordStep) =>
  tx.insert(TABLES[s.thing]).values({ id: s.id, ...s.after, rev: 1 } as never);
/** Sets the fields of the record that is still at `rev`; whether it was. */
async function setAt(tx: Tx, s: RecordStep, rev: number, fields: object): Promise<boolean> {
  const table = TABLES[s.thing];
  const [result] = await tx
    .update(table)
    .set({ ...fields, rev: rev + 1 } as never)
    .where(and(eq(table.id, s.id), eq(table.rev, rev)));
  return result.affectedRows > 0;
}
async function removeAt(tx: Tx, s: RecordStep, rev: number): Promise<boolean> {
  const table = TABLES[s.thing];
  const [result] = await tx.delete(table).where(and(eq(table.id, s.id), eq(table.rev, rev)));
  return result.affectedRows > 0;
}
const fieldsOf = (record: object) => record as Readonly<Record<string, unknown>>;
const versionText = (v: VersionRecord) => `${METHODS[v.method].label} ${v.number}`;

async function applyVersion(tx: Tx, s: VersionStep, by: string, record: RecordChange) {
  const retired = s.retires.map((r) => r.id);
  if (retired.length > 0)
    await tx.update(versions).set({ state: 'retired' }).where(inArray(versions.id, retired));
  const { author, at, ...v } = s.after;
  await tx
    .insert(versions)
    .values({ id: s.id, ...v, at: new Date(at), authorId: by, authorThere: author });
  await record({
    thing: 'tea',
    id: v.teaId,
    before: null,
    after: { version: `${versionText(s.after)}: ${v.state}, brought in` },
  });
}
async function applyVocabulary(
  tx: Tx,
  from: VocabularyStep['before'],
  to: VocabularyStep['after'],
  record: RecordChange,
) {
  await tx.update(house).set({ vocabulary: [...to] });
  await record({
    thing: 'house',
    id: 'house',
    before: { words: from.join(', ') },
    after: { words: to.join(', ') },
  });
}

/** Does the steps in order, inside the caller's transaction. */
export async function applySteps(
  tx: Tx,
  steps: readonly Step[],
  { by, record }: { readonly by: string; readonly record: RecordChange },
): Promise<void> {
  for (const s of steps) {
    if (s.thing === 'version') await applyVersion(tx, s, by, record);
    else if (s.thing === 'vocabulary') await applyVocabulary(tx, s.before, s.after, record);
    else {
      if (s.what === 'added') await add(tx, s);
      else if (!(await setAt(tx, s, s.rev, s.after))) throw movedOn(s.name);
      const before = s.what === 'added' ? null : fieldsOf(s.before);
      await record({ thing: s.thing, id: s.id, before, after: fieldsOf(s.after) });
    }
  }
}

/** Columns of a brew that name what it was brewed with. */
const BREWED_WITH = {
  tea: brews.teaId,
  lot: brews.lotId,
  vessel: brews.vesselId,
  version: brews.versionId,
};
async function checkUnused(tx: Tx, s: RecordStep | VersionStep) {
  if (s.thing === 'spoon') return;
  const [brew] = await tx
    .select({ id: brews.id })
    .from(brews)
    .where(eq(BREWED_WITH[s.thing], s.id))
    .limit(1);
  if (brew) throw cannotUndo(s.name, 'was brewed since');
}
async function undoRecord(tx: Tx, s: RecordStep, record: RecordChange) {
  const changedSince = cannotUndo(s.name, 'was changed since');
  if (s.what === 'added') {
    await checkUnused(tx, s);
    if (s.thing === 'tea') await tx.delete(photos).where(eq(photos.teaId, s.id));
    if (!(await removeAt(tx, s, 1))) throw changedSince;
    await record({
      thing: s.thing,
      id: s.id,
      before: { import: `${s.name}, brought in` },
      after: { import: 'taken back' },
    });
    return;
  }
  if (!(await setAt(tx, s, s.rev + 1, s.before))) throw changedSince;
  await record({
    thing: s.thing,
    id: s.id,
    before: fieldsOf(s.after),
    after: fieldsOf(s.before),
  });
}
async function undoVersion(tx: Tx, s: VersionStep, record: RecordChange) {
  await checkUnused(tx, s);
  const [result] = await tx
    .delete(versions)
    .where(and(eq(versions.id, s.id), eq(versions.state, s.after.state)));
  if (result.affectedRows === 0) throw cannotUndo(s.name, 'was changed since');
  for (const r of s.retires)
    await tx.update(versions).set({ state: r.state }).where(eq(versions.id, r.id));
  await record({
    thing: 'tea',
    id: s.after.teaId,
    before: { version: `${versionText(s.after)}, brought in` },
    after: {},
  });
}
/** Takes the steps back, last first. Refused as a whole when a record was used or changed since. */
export async function undoSteps(
  tx: Tx,
  steps: readonly Step[],
  record: RecordChange,
): Promise<void> {
  for (const s of [...steps].reverse()) {
    if (isRecord(s)) await undoRecord(tx, s, record);
    else if (s.thing === 'version') await undoVersion(tx, s, record);
    else {
      if ((await vocabularyOf(tx)).join() !== s.after.join())
        throw cannotUndo('the list of words', 'was changed since');
      await applyVocabulary(tx, s.after, s.before, record);
    }
  }
}
