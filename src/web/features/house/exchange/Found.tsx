import { type Dispatch, type RefObject, type SetStateAction, useRef, useState } from 'react';
import type { Fault, Preview } from '#contracts/exchange';
import { useKeys } from '../../../ui/keys';
import { keyOf } from './file';

const WILL = { refused: 'refused', open: 'open', read: '' } as const;

const SHOWN_FAULTS = 200;

/** The faults by row and column; the chosen one shows its row with its neighbour, and how it can be answered. */
export function Found({
  preview,
  answers,
  onAnswer,
}: {
  preview: Preview;
  answers: Record<string, string>;
  onAnswer: (f: Fault, says: string) => void;
}) {
  const [at, setAt] = useState(0);
  const { faults } = preview;
  const chosen = faults[Math.min(at, faults.length - 1)];
  const list = useRef<HTMLTableSectionElement>(null);
  const step = (by: number) => {
    const next = Math.max(0, Math.min(faults.length - 1, at + by));
    setAt(next);
    list.current?.children[next]?.scrollIntoView({ block: 'nearest' });
  };
  const options = chosen?.will === 'open' ? chosen.answers : [];
  useKeys(
    [
      { key: 'j', does: 'Next fault', run: () => step(1) },
      { key: 'k', does: 'Fault before', run: () => step(-1) },
      ...options.slice(0, 3).map((a, i) => ({
        key: String(i + 1),
        does: a.words,
        run: () => chosen && onAnswer(chosen, a.says),
      })),
    ],
    2,
  );
  const rows = new Set(faults.map((f) => f.row)).size;
  const left = Object.entries(answers).filter(([, says]) => says === '').length;
  return (
    <section className="work faults-work">
      <h2>
        {faults.length === 0
          ? 'No fault found'
          : `${faults.length} ${faults.length === 1 ? 'fault' : 'faults'} in ${rows} ${rows === 1 ? 'row' : 'rows'}`}
        <small>
          by row and column; nothing is written yet{left ? `; ${left} left out by you` : ''}
        </small>
      </h2>
      {faults.length > 0 && (
        <div className="scroll faults-list">
          <FaultsTable list={list} faults={faults} chosen={chosen} setAt={setAt} />
          {faults.length > SHOWN_FAULTS && (
            <p className="small">And {faults.length - SHOWN_FAULTS} more: take them as CSV.</p>
          )}
        </div>
      )}
      {chosen && <RowShown preview={preview} fault={chosen} />}
      {chosen?.will === 'open' && <Answers chosen={chosen} onAnswer={onAnswer} />}
      {preview.changes.length > 0 && (
        <details className="more-fields mt-3">
          <summary className="btn quiet slim">What it brings, row by row</summary>
          <ul className="small">
            {preview.changes.map((c) => (
              <li key={`${c.thing}${c.row}${c.name}`}>
                {c.row}: {c.thing} <b>{c.name}</b> {c.what}
                {c.how ? `: ${c.how}` : ''}
              </li>
            ))}
          </ul>
        </details>
      )}
    </section>
  );
}

/** The faults by row and column. */
function FaultsTable({
  list,
  faults,
  chosen,
  setAt,
}: {
  list: RefObject<HTMLTableSectionElement | null>;
  faults: readonly Fault[];
  chosen: Fault | undefined;
  setAt: Dispatch<SetStateAction<number>>;
}) {
  return (
    <table className="faults">
      <thead>
        <tr>
          <th>row</th>
          <th>column</th>
          <th>it says</th>
          <th>what is wrong</th>
          <th>will be</th>
        </tr>
      </thead>
      <tbody ref={list}>
        {faults.slice(0, SHOWN_FAULTS).map((f, i) => (
          <tr key={`${keyOf(f)}${i}`} className={f === chosen ? 'on' : ''} onClick={() => setAt(i)}>
            <td>{f.row}</td>
            <td>{f.column}</td>
            <td>
              {f.says ? (
                <span className="says">{f.says.slice(0, 40)}</span>
              ) : (
                <span className="says">empty</span>
              )}
            </td>
            <td>
              <button
                type="button"
                className="plain"
                aria-pressed={f === chosen}
                onClick={() => setAt(i)}
              >
                {f.why}
              </button>
            </td>
            <td className={f.will === 'refused' ? 'fault' : ''}>
              {f.will === 'open' ? <b>open</b> : f.as || WILL[f.will]}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** How the chosen fault can be answered. */
function Answers({
  chosen,
  onAnswer,
}: {
  chosen: Fault;
  onAnswer: (f: Fault, says: string) => void;
}) {
  return (
    <div className="flex flex-wrap gap-2 mt-3">
      {chosen.answers.map((a, i) => (
        <button
          type="button"
          key={a.words}
          className="btn"
          onClick={() => onAnswer(chosen, a.says)}
        >
          {a.words} {i < 3 && <kbd>{i + 1}</kbd>}
        </button>
      ))}
      <button type="button" className="btn quiet" onClick={() => onAnswer(chosen, '')}>
        Leave row {chosen.row} out
      </button>
    </div>
  );
}

function RowShown({ preview, fault }: { preview: Preview; fault: Fault }) {
  const rows = preview.shown.filter((r) => r.row === fault.row || r.row === fault.row - 1);
  if (preview.header.length === 0 || rows.length === 0) return null;
  const at = preview.header.findIndex((t) => t.trim() === fault.column);
  // Eight columns about the one at fault.
  const from = Math.max(0, Math.min(preview.header.length - 8, at - 4));
  const shown = preview.header
    .map((title, i) => ({ title, i }))
    .filter(({ i }) => i === 0 || (i >= from && i < from + 8));
  return (
    <table className="row-shown">
      <thead>
        <tr>
          <th>row</th>
          {shown.map(({ title, i }) => (
            <th key={i}>{title}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.row} className={r.row === fault.row ? 'on' : ''}>
            <td>{r.row}</td>
            {shown.map(({ i }) => (
              <td key={i} className={r.row === fault.row && i === at ? 'cell' : ''}>
                {(r.cells[i] ?? '').slice(0, 40)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const quoted = (t: string) => `"${(/^[=+\-@]/.test(t) ? ` ${t}` : t).replaceAll('"', '""')}"`;

export const faultsCsv = (faults: readonly Fault[]) =>
  [
    'row,column,it says,what is wrong,will be',
    ...faults.map((f) =>
      [String(f.row), quoted(f.column), quoted(f.says), quoted(f.why), quoted(f.as || f.will)].join(
        ',',
      ),
    ),
  ].join('\r\n');
