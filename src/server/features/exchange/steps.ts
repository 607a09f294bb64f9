import { and, eq, inArray } from 'drizzle-orm';
import { METHODS, type Recipe } from '#core/recipes';
import type { LotFields, Version } from '#contracts/teas';
import type { Tx } from '../../db/pool';
import { brews, house, lots, photos, spoons, teas, versions, vessels } from '../../db/schema';
import { AppError } from '../../http/errors';
import { recordChange } from '../history';
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

type Doing = { readonly by: string; readonly now: number };
const movedOn = (name: string) =>
  new AppError(
    'record.changed',
    409,
    `${name} was changed meanwhile. Look at the file again: nothing was written.`,
  );

/** Does the steps in order, inside the caller's transaction. */
export async function applySteps(
  tx: Tx,
  steps: readonly Step[],
  { by, now }: Doing,
): Promise<void> {
  for (const s of steps) {
    const keep = (
      thing: 'tea' | 'lot' | 'vessel' | 'spoon',
      before: object | null,
      after: object,
    ) =>
      recordChange(tx, {
        thing,
        id: s.id,
        before: before as Record<string, unknown> | null,
        after: after as Record<string, unknown>,
        by,
        now,
      });
    switch (s.thing) {
      case 'tea':
        if (s.what === 'added') await tx.insert(teas).values({ id: s.id, ...s.after, rev: 1 });
        else if (
          (
            await tx
              .update(teas)
              .set({ ...s.after, rev: s.rev + 1 })
              .where(and(eq(teas.id, s.id), eq(teas.rev, s.rev)))
          )[0].affectedRows === 0
        )
          throw movedOn(s.name);
        await keep('tea', s.what === 'added' ? null : s.before, s.after);
        break;
      case 'lot':
        if (s.what === 'added') await tx.insert(lots).values({ id: s.id, ...s.after, rev: 1 });
        else if (
          (
            await tx
              .update(lots)
              .set({ ...s.after, rev: s.rev + 1 })
              .where(and(eq(lots.id, s.id), eq(lots.rev, s.rev)))
          )[0].affectedRows === 0
        )
          throw movedOn(s.name);
        await keep('lot', s.what === 'added' ? null : s.before, s.after);
        break;
      case 'vessel': {
        const { facts, retired, siteId } = s.after;
        if (s.what === 'added')
          await tx.insert(vessels).values({ id: s.id, siteId, facts, retired, rev: 1 });
        else if (
          (
            await tx
              .update(vessels)
              .set({ facts, retired, rev: s.rev + 1 })
              .where(and(eq(vessels.id, s.id), eq(vessels.rev, s.rev)))
          )[0].affectedRows === 0
        )
          throw movedOn(s.name);
        await keep('vessel', s.what === 'added' ? null : s.before.facts, facts);
        break;
      }
      case 'spoon':
        if (s.what === 'added') await tx.insert(spoons).values({ id: s.id, ...s.after, rev: 1 });
        else if (
          (
            await tx
              .update(spoons)
              .set({ ...s.after, rev: s.rev + 1 })
              .where(and(eq(spoons.id, s.id), eq(spoons.rev, s.rev)))
          )[0].affectedRows === 0
        )
          throw movedOn(s.name);
        await keep('spoon', s.what === 'added' ? null : s.before, s.after);
        break;
      case 'version': {
        if (s.retires.length)
          await tx
            .update(versions)
            .set({ state: 'retired' })
            .where(
              inArray(
                versions.id,
                s.retires.map((r) => r.id),
              ),
            );
        const { author, at, ...v } = s.after;
        await tx
          .insert(versions)
          .values({ id: s.id, ...v, at: new Date(at), authorId: by, authorThere: author });
        await recordChange(tx, {
          thing: 'tea',
          id: v.teaId,
          before: null,
          after: { version: `${METHODS[v.method].label} ${v.number}: ${v.state}, brought in` },
          by,
          now,
        });
        break;
      }
      case 'vocabulary':
        await tx.update(house).set({ vocabulary: [...s.after] });
        await recordChange(tx, {
          thing: 'house',
          id: 'house',
          before: { words: s.before.join(', ') },
          after: { words: s.after.join(', ') },
          by,
          now,
        });
    }
  }
}

const cannot = (name: string, why: string) =>
  new AppError('record.changed', 409, `It cannot be taken back: ${name} ${why}.`);

/** Takes the steps back, last first. Refused as a whole when something of it was used or changed since. */
export async function undoSteps(tx: Tx, steps: readonly Step[], { by, now }: Doing): Promise<void> {
  const used = async (
    column:
      typeof brews.teaId | typeof brews.versionId | typeof brews.lotId | typeof brews.vesselId,
    s: Step,
  ) => {
    const [brew] = await tx.select({ id: brews.id }).from(brews).where(eq(column, s.id)).limit(1);
    if (brew) throw cannot(s.name, 'was brewed since');
  };
  for (const s of [...steps].reverse()) {
    const gone = (affected: number) => {
      if (affected === 0) throw cannot(s.name, 'was changed since');
    };
    switch (s.thing) {
      case 'tea':
        if (s.what === 'added') {
          await used(brews.teaId, s);
          await tx.delete(photos).where(eq(photos.teaId, s.id));
          gone(
            (await tx.delete(teas).where(and(eq(teas.id, s.id), eq(teas.rev, 1))))[0].affectedRows,
          );
        } else
          gone(
            (
              await tx
                .update(teas)
                .set({ ...s.before, rev: s.rev + 2 })
                .where(and(eq(teas.id, s.id), eq(teas.rev, s.rev + 1)))
            )[0].affectedRows,
          );
        break;
      case 'lot':
        if (s.what === 'added') {
          await used(brews.lotId, s);
          gone(
            (await tx.delete(lots).where(and(eq(lots.id, s.id), eq(lots.rev, 1))))[0].affectedRows,
          );
        } else
          gone(
            (
              await tx
                .update(lots)
                .set({ ...s.before, rev: s.rev + 2 })
                .where(and(eq(lots.id, s.id), eq(lots.rev, s.rev + 1)))
            )[0].affectedRows,
          );
        break;
      case 'vessel':
        if (s.what === 'added') {
          await used(brews.vesselId, s);
          gone(
            (await tx.delete(vessels).where(and(eq(vessels.id, s.id), eq(vessels.rev, 1))))[0]
              .affectedRows,
          );
        } else
          gone(
            (
              await tx
                .update(vessels)
                .set({ facts: s.before.facts, retired: s.before.retired, rev: s.rev + 2 })
                .where(and(eq(vessels.id, s.id), eq(vessels.rev, s.rev + 1)))
            )[0].affectedRows,
          );
        break;
      case 'spoon':
        gone(
          s.what === 'added'
            ? (await tx.delete(spoons).where(and(eq(spoons.id, s.id), eq(spoons.rev, 1))))[0]
                .affectedRows
            : (
                await tx
                  .update(spoons)
                  .set({ ...s.before, rev: s.rev + 2 })
                  .where(and(eq(spoons.id, s.id), eq(spoons.rev, s.rev + 1)))
              )[0].affectedRows,
        );
        break;
      case 'version':
        await used(brews.versionId, s);
        gone(
          (
            await tx
              .delete(versions)
              .where(and(eq(versions.id, s.id), eq(versions.state, s.after.state)))
          )[0].affectedRows,
        );
        for (const r of s.retires)
          await tx.update(versions).set({ state: r.state }).where(eq(versions.id, r.id));
        await recordChange(tx, {
          thing: 'tea',
          id: s.after.teaId,
          before: { version: `${METHODS[s.after.method].label} ${s.after.number}, brought in` },
          after: {},
          by,
          now,
        });
        break;
      case 'vocabulary':
        if ((await vocabularyOf(tx)).join() !== s.after.join())
          throw cannot('the list of words', 'was changed since');
        await tx.update(house).set({ vocabulary: [...s.before] });
    }
  }
}
