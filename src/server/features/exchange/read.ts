import type { z } from 'zod';
import type { PlannedChange, Preview, previewImport } from '#contracts/exchange';
import { readCells } from './cells';
import { planJson, type Planned } from './fromJson';
import { differing } from './records';
import type { Here } from './snapshot';
import type { Step } from './steps';
import { missingColumns, tableOf } from './table/columns';
import { planTable } from './table/fromTable';

/** A file as it was sent, with the answers given so far. */
export type Given = z.infer<typeof previewImport.body>;
/** What a file would do, and how that is shown; or why it is not read at all. */
export type Read =
  | { readonly kind: 'read'; readonly steps: Step[]; readonly preview: Preview }
  | { readonly kind: 'bad'; readonly why: string };
type Whole = {
  readonly kind: Preview['kind'];
  readonly found: string;
  readonly planned: Planned;
  readonly header: readonly string[];
  readonly cellsOf: (row: number) => readonly string[] | undefined;
};
const bad = (why: string) => ({ kind: 'bad', why }) as const;

function readWhole(
  given: Given,
  here: Here,
  by: string,
  now: number,
): Whole | { readonly kind: 'bad'; readonly why: string } {
  if (/^\s*[{[]/.test(given.text)) {
    const planned = planJson(given.text, here);
    if ('kind' in planned) return planned;
    return {
      kind: 'json',
      found: `the house’s own format, ${planned.rows} entries`,
      planned,
      header: [],
      cellsOf: () => undefined,
    };
  }
  const cells = readCells(given.text);
  if ('kind' in cells) return cells;
  const table = given.table ?? tableOf(cells.header);
  if (!table)
    return bad(
      `Not a table known here. Its columns are: ${cells.header.slice(0, 12).join(', ')}. Wanted are tea and style (teas), tea and lot (lots), tea, heat and best (recipes), or vessel, kind, mark and brim (vessels).`,
    );
  const missing = missingColumns(table, cells.header);
  if (missing.length) return bad(`As ${table} it lacks the column ${missing.join(', ')}.`);
  const planned = planTable(table, cells, given.answers, { here, by, now });
  const byRow = new Map(cells.rows.map((r) => [r.row, r.cells]));
  return {
    kind: table,
    found: `${cells.found}${planned.unknown.length ? `; not read: ${planned.unknown.join(', ')}` : ''}`,
    planned,
    header: cells.header,
    cellsOf: (row) => byRow.get(row),
  };
}

const LISTED = 300;
function howText(s: Step): string {
  if (s.thing === 'version') return `version ${s.after.number}, ${s.after.state}`;
  if (s.thing === 'vocabulary') return `${s.after.length} words`;
  return s.what === 'changed' ? differing(s.before, s.after).join(', ') : '';
}
const describe = (s: Step): PlannedChange => ({
  row: s.row,
  what: s.what,
  thing: s.thing,
  name: s.name,
  how: howText(s),
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

/** Reads a file against the house as it is. */
export function readFile(given: Given, here: Here, by: string, now: number): Read {
  const whole = readWhole(given, here, by, now);
  if (whole.kind === 'bad') return whole;
  return { kind: 'read', steps: whole.planned.steps, preview: previewOf(whole) };
}
