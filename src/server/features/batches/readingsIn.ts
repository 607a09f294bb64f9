import { fridgeReadingFault } from '#core/cold';
import { instantOfIso } from '#core/time';
import type { ReadingsFault } from '#contracts/fridge';
import { findColumns, readCells } from '../exchange';

// Readings of the fridge from another thermometer's file: the table of temperatures that the record for an inspection
// has, or any with a time and a temperature.

const NAMES = {
  at: ['at', 'time', 'date', 'timestamp'],
  celsius: ['celsius', 'temperature', 'c'],
} as const;
/** The record says whole seconds: two readings of one second are the same. */
export const secondOf = (at: number): number => Math.floor(at / 1000);
/** A thermometer's clock may be ahead by so much. */
const MOST_AHEAD_MS = 2 * 60_000;

export type ReadIn = { readonly at: number; readonly celsius: number };

function timeOf(text: string, now: number): number | { readonly why: string } {
  // With its offset, so that no zone is guessed.
  const at = instantOfIso(text);
  if (at === null)
    return {
      why: `“${text}” is no time. Write the time with its offset: 2026-03-01T08:00+00:00.`,
    };
  return at > now + MOST_AHEAD_MS ? { why: `${text} is in the future.` } : at;
}
function celsiusOf(text: string): number | { readonly why: string } {
  const value = Number(text.replace(',', '.'));
  if (text === '' || Number.isNaN(value)) return { why: `“${text}” is no temperature in °C.` };
  const fault = fridgeReadingFault(value);
  return fault === null ? value : { why: `${value} °C: ${fault}` };
}

/** The readings of a file in the order of time, one for each second, and what is wrong by row and column. */
export function readingsIn(
  text: string,
  now: number,
): { readonly readings: readonly ReadIn[]; readonly faults: readonly ReadingsFault[] } {
  const cells = readCells(text);
  if ('kind' in cells)
    return { readings: [], faults: [{ row: 1, column: 'the file', why: cells.why }] };
  const { columns } = findColumns(cells.header, NAMES);
  const { at: timeColumn, celsius: heatColumn } = columns;
  if (!timeColumn || !heatColumn)
    return {
      readings: [],
      faults: [
        {
          row: 1,
          column: 'the header',
          why: 'The table needs a column “at” with the time and a column “celsius”.',
        },
      ],
    };
  const byTime = new Map<number, ReadIn>();
  const faults: ReadingsFault[] = [];
  for (const { row, cells: values } of cells.rows) {
    const at = timeOf((values[timeColumn.at] ?? '').trim(), now);
    const celsius = celsiusOf((values[heatColumn.at] ?? '').trim());
    if (typeof at !== 'number') faults.push({ row, column: timeColumn.title, why: at.why });
    if (typeof celsius !== 'number')
      faults.push({ row, column: heatColumn.title, why: celsius.why });
    if (typeof at === 'number' && typeof celsius === 'number' && !byTime.has(secondOf(at)))
      byTime.set(secondOf(at), { at, celsius });
  }
  return { readings: [...byTime.values()].sort((a, b) => a.at - b.at), faults };
}
