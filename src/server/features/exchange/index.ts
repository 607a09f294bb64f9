import { desc, eq } from 'drizzle-orm';
import type { z } from 'zod';
import {
  exportBook,
  exportTable,
  listImports,
  previewImport,
  runImport,
  undoImport,
  type Import,
  type PlannedChange,
  type Preview,
} from '#contracts/exchange';
import type { Deps } from '../../deps';
import { inTransaction } from '../../db/inTransaction';
import type { Tx } from '../../db/pool';
import { imports, people } from '../../db/schema/index';
import { AppError, notFound } from '../../http/errors';
import type { routes, Signed } from '../../http/route';
import { readCells } from './cells';
import { exchangeSchema, planJson, type Planned } from './fromJson';
import { missingColumns, planTable, tableOf } from './fromTable';
import { readHere, type Here } from './here';
import { differing, exchangeFile, exchangeText } from './records';
import { applySteps, undoSteps, type Step } from './steps';
import { tableText } from './toTable';

export { exchangeSchema };
type Given = Omit<z.infer<typeof previewImport.body>, never>;
type Whole = {
  readonly kind: Preview['kind'];
  readonly found: string;
  readonly planned: Planned;
  readonly header: readonly string[];
  readonly cellsOf: (row: number) => readonly string[] | undefined;
};
const unreadable = (why: string) =>
  new AppError('input.invalid', 422, why, { fields: { text: why } });

/** Reads a file against the house as it is. @throws {AppError} when it is not a file of a kind known here. */
function readWhole(given: Given, here: Here, who: Signed, now: number): Whole {
  if (/^\s*[{[]/.test(given.text)) {
    const planned = planJson(given.text, here);
    if ('kind' in planned) throw unreadable(planned.why);
    return {
      kind: 'json',
      found: `the house’s own format, ${planned.rows} entries`,
      planned,
      header: [],
      cellsOf: () => undefined,
    };
  }
  const cells = readCells(given.text);
  if ('kind' in cells) throw unreadable(cells.why);
  const table = given.table ?? tableOf(cells.header);
  if (!table)
    throw unreadable(
      `Not a table known here. Its columns are: ${cells.header.slice(0, 12).join(', ')}. Wanted are tea and style (teas), tea and lot (lots), tea, heat and best (recipes), or vessel, kind, mark and brim (vessels).`,
    );
  const missing = missingColumns(table, cells.header);
  if (missing.length) throw unreadable(`As ${table} it lacks the column ${missing.join(', ')}.`);
  const planned = planTable(table, cells, given.answers, { here, by: who.personId, now });
  return {
    kind: table,
    found: `${cells.found}${planned.unknown.length ? `; not read: ${planned.unknown.join(', ')}` : ''}`,
    planned,
    header: cells.header,
    cellsOf: (row) => cells.rows.find((r) => r.row === row)?.cells,
  };
}

const LISTED = 300;
const describe = (s: Step): PlannedChange => ({
  row: s.row,
  what: s.what,
  thing: s.thing,
  name: s.name,
  how:
    s.thing === 'version'
      ? `version ${s.after.number}, ${s.after.state}`
      : s.thing === 'vocabulary'
        ? `${s.after.length} words`
        : s.what === 'changed'
          ? differing(
              s.thing === 'vessel' ? s.before.facts : s.before,
              s.thing === 'vessel' ? s.after.facts : s.after,
            ).join(', ')
          : '',
});
function previewOf({ kind, found, planned, header, cellsOf }: Whole): Preview {
  const { steps, faults, rows, same } = planned;
  const of = (will: 'open' | 'refused') =>
    new Set(
      faults
        .filter((f) => f.will === will)
        .map((f) => `${kind === 'json' ? f.column.split('.')[0] : ''}${f.row}`),
    );
  const refused = of('refused');
  const open = new Set([...of('open')].filter((k) => !refused.has(k)));
  const around = new Set(faults.flatMap((f) => [f.row - 1, f.row]));
  const addedTeas = new Set(
    steps.flatMap((s) => (s.thing === 'tea' && s.what === 'added' ? [s.id] : [])),
  );
  // A version changes the tea it comes to, unless that came with it.
  const changes = steps.filter(
    (s) => s.what === 'changed' || (s.thing === 'version' && !addedTeas.has(s.after.teaId)),
  ).length;
  return {
    kind,
    found,
    rows,
    faults,
    header: [...header],
    counts: {
      added: steps.length - changes,
      changed: changes,
      same,
      open: open.size,
      refused: refused.size,
    },
    changes: steps.slice(0, LISTED).map(describe),
    shown: [...around]
      .sort((a, b) => a - b)
      .flatMap((row) => {
        const cells = cellsOf(row);
        return cells ? [{ row, cells: [...cells] }] : [];
      }),
  };
}

export function exchangeRoutes(on: ReturnType<typeof routes>, { db, now }: Deps) {
  const importRows = (tx: Tx) =>
    tx
      .select({ i: imports, by: people.name })
      .from(imports)
      .innerJoin(people, eq(people.id, imports.personId));
  type Row = Awaited<ReturnType<typeof importRows>>[number];
  const asImport = ({ i, by }: Row): Import => ({
    id: i.id,
    at: i.at.getTime(),
    by: { id: i.personId, name: by },
    name: i.name,
    counts: i.counts,
    undone: i.undone,
  });
  const one = async (tx: Tx, id: string) => (await importRows(tx).where(eq(imports.id, id)))[0];

  on.signed(previewImport, async ({ body, who }) =>
    previewOf(readWhole(body, await readHere(db), who, now())),
  );
  on.signed(runImport, ({ body: { id, ...given }, who }) =>
    inTransaction(db, async (tx) => {
      const there = await one(tx, id);
      if (there) return asImport(there);
      const whole = readWhole(given, await readHere(tx), who, now());
      const { steps } = whole.planned;
      if (steps.length === 0) throw unreadable('Nothing of it is new: nothing was written.');
      await applySteps(tx, steps, { by: who.personId, now: now() });
      const { added, changed } = previewOf(whole).counts;
      await tx.insert(imports).values({
        id,
        at: new Date(now()),
        personId: who.personId,
        name: given.name,
        counts: { added, changed },
        steps,
        undone: false,
      });
      const done = await one(tx, id);
      if (!done) throw notFound('That import');
      return asImport(done);
    }),
  );
  on.signed(listImports, async () => ({
    imports: (await importRows(db).orderBy(desc(imports.at)).limit(20)).map(asImport),
  }));
  on.signed(undoImport, ({ params, who }) =>
    inTransaction(db, async (tx) => {
      await tx
        .select({ id: imports.id })
        .from(imports)
        .where(eq(imports.id, params.id))
        .for('update');
      const found = await one(tx, params.id);
      if (!found) throw notFound('That import');
      if (!found.i.undone) {
        await undoSteps(tx, found.i.steps as Step[], { by: who.personId, now: now() });
        await tx.update(imports).set({ undone: true }).where(eq(imports.id, params.id));
      }
      return { ...asImport(found), undone: true };
    }),
  );
  on.file(exportBook, async () => ({
    type: 'application/json',
    name: 'tea-book.json',
    save: true,
    body: Buffer.from(exchangeText(exchangeFile(await readHere(db)))),
  }));
  on.file(exportTable, async ({ params, query }) => ({
    type: 'text/csv; charset=utf-8',
    name: `${params.table}.csv`,
    save: true,
    body: Buffer.from(tableText(params.table, await readHere(db), query.comma)),
  }));
}
