import { type Fault, type TableName } from '#contracts/exchange';
import { type Cells, type Columns, findColumns } from '../cells';
import type { Planned } from '../fromJson';
import { RowReader } from '../rowReader';
import { NAMES } from './columns';
import { lotRows } from './lotRows';
import { recipeRows } from './recipeRows';
import { type Doing, type Out, type Read } from './shared';
import { teaRows } from './teaRows';
import { vesselRows } from './vesselRows';

/** What a table would do; a row with a fault that is not merely read otherwise is left out as a whole. */
export function planTable(
  table: TableName,
  cells: Cells,
  answers: Readonly<Record<string, string>>,
  doing: Doing,
): Planned & { readonly unknown: readonly string[] } {
  const { columns, unknown } = findColumns(
    cells.header,
    NAMES[table] as Readonly<Record<string, readonly string[]>>,
  );
  const out: Out = { steps: [], faults: [], same: 0 };
  const one = {
    teas: teaRows(doing, out),
    lots: lotRows(doing, out),
    recipes: recipeRows(doing, out),
    vessels: vesselRows(doing, out),
  }[table];
  const left = new Set(
    Object.entries(answers)
      .filter(([, says]) => says === '')
      .map(([key]) => Number(key.split(':')[0])),
  );
  for (const { row, cells: c } of cells.rows) {
    if (left.has(row)) continue;
    const faults: Fault[] = [];
    const reader: Read = new RowReader(row, c, columns as Columns<string>, answers, faults);
    const go = one(reader);
    out.faults.push(...faults);
    if (go && !faults.some((f) => f.will !== 'read')) go();
  }
  return { ...out, rows: cells.rows.length, unknown };
}
