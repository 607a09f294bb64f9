import { numberText } from '#core/units';
import { type Column, tableSheet } from '../prints';
import type { ColdRecord } from './record';

/** A4 across, mm. */
const [WIDE, HIGH, MARGIN, ROW, SIZE] = [297, 210, 12, 6, 3.1];

/** What has a paper of its own: a table for whoever looks in. */
export type PaperTable = 'batches' | 'temperatures' | 'limits';
type Cell = readonly [title: string, width: number, text: string | number, right?: boolean];

/** "2026-05-04 08:00": the record's instants have their offset, a paper its zone in the head. */
const clock = (iso: string): string => iso.slice(0, 16).replace('T', ' ');

const batchCells = (b: ColdRecord['batches'][number]): readonly Cell[] => [
  ['code', 18, b.code],
  ['tea', 34, b.tea],
  ['vessel', 26, b.vessel],
  ['leaf in', 29, clock(b.leafIn)],
  ['lifted', 29, clock(b.lifted)],
  ['ml', 12, b.yieldMl, true],
  ['throw out by', 29, clock(b.discardAt)],
  ['because', 18, b.because],
  ['end', 18, b.end],
  ['ml out', 12, b.discardedMl, true],
  ['reason', 20, b.reason],
  ['warm min', 14, b.warmMinutes, true],
  ['by', 14, b.madeBy],
];
const temperatureCells = (t: ColdRecord['temperatures'][number]): readonly Cell[] => [
  ['at', 40, clock(t.at)],
  ['°C', 16, numberText(t.celsius), true],
  ['source', 24, t.source],
  ['by', 50, t.by],
  ['note', 143, t.note],
];
const limitCells = (l: ColdRecord['limits'][number]): readonly Cell[] => [
  ['from', 50, l.from === '' ? 'the beginning' : clock(l.from)],
  ['setting', 70, l.setting],
  ['value', 30, String(l.value), true],
  ['by', 60, l.by],
];
function cellsOf(record: ColdRecord, table: PaperTable): readonly (readonly Cell[])[] {
  switch (table) {
    case 'batches':
      return record.batches.map(batchCells);
    case 'temperatures':
      return record.temperatures.map(temperatureCells);
    case 'limits':
      return record.limits.map(limitCells);
  }
}
const columnsOf = (cells: readonly Cell[]): Column[] => {
  let x = MARGIN;
  return cells.map(([title, width, , right = false]) => {
    const column = { title, x, width: width - 2, right };
    x += width;
    return column;
  });
};
const rowsWords = (n: number): string =>
  n === 0 ? 'nothing in this period' : `${n} ${n === 1 ? 'row' : 'rows'}`;
const TITLES = { batches: 'Cold batches', temperatures: 'Fridge', limits: 'Limits of cold tea' };

/** One table of the record on paper, over as many pages as it takes. */
export function recordPaper({
  record,
  table,
  zone,
}: {
  record: ColdRecord;
  table: PaperTable;
  zone: string;
}): Promise<Buffer> {
  const rows = cellsOf(record, table);
  return tableSheet({
    ...{ width: WIDE, height: HIGH, margin: MARGIN, row: ROW, size: SIZE },
    title: `${TITLES[table]}, ${record.site}`,
    under: `${clock(record.from)} to ${clock(record.to)}, times of ${zone}; ${rowsWords(
      rows.length,
    )}`,
    columns: columnsOf(rows[0] ?? []),
    rows: rows.map((cells) => cells.map(([, , text]) => String(text))),
    foot: record.note,
  });
}
