import { useEffect, useRef, useState } from 'react';
import { type Fault, type Import, type Preview, type TableName, TABLES } from '#contracts/exchange';
import { useImportsQuery } from '../../entities/exchange/api';
import { usePreviewImportMutation } from '../../entities/exchange/api';
import { useRunImportMutation } from '../../entities/exchange/api';
import { useUndoImportMutation } from '../../entities/exchange/api';
import { failureOf } from '../../platform/api';
import { newId } from '../../platform/ids';
import { useAppDispatch } from '../../platform/store';
import { toastShown } from '../../platform/toasts';
import { useGo } from '../../platform/useGo';
import { clockText, dayText } from '../../ui/days';
import { useKeys } from '../../ui/keys';
import { Note } from '../../ui/Note';
import { PickList } from '../../ui/PickList';

const MOST_BYTES = 8_000_000;
type File_ = { readonly name: string; readonly text: string };
const keyOf = (f: Fault) => `${f.row}:${f.column}`;

/** The book out and in: a file is read and told apart by row and column; nothing is written until it is confirmed. */
export function ExchangePage() {
  const [file, setFile] = useState<File_ | null>(null);
  const [table, setTable] = useState<TableName | null>(null);
  const [answers, setAnswers] = useState<Record<string, string>>({});
  const [wrong, setWrong] = useState('');
  const [ask, { data: preview, error, isLoading, reset }] = usePreviewImportMutation();
  const input = useRef<HTMLInputElement>(null);
  const go = useGo();
  useEffect(() => {
    if (file) void ask({ name: file.name, text: file.text, table, answers });
  }, [ask, file, table, answers]);
  useKeys([
    {
      key: 'Escape',
      does: 'Back to the house',
      run: () => (file ? (setFile(null), reset()) : go('/house')),
    },
  ]);
  const take = async (f: File | undefined) => {
    if (!f) return;
    if (f.size > MOST_BYTES)
      return setWrong(
        `${f.name} is ${Math.round(f.size / 1e6)} MB: at most 8. Bring the tables in one by one.`,
      );
    setWrong('');
    setAnswers({});
    setTable(null);
    setFile({ name: f.name, text: await f.text() });
    if (input.current) input.current.value = '';
  };
  const failure = error ? failureOf(error) : null;
  const chooser = (
    <input
      ref={input}
      type="file"
      accept=".json,.csv,.txt,application/json,text/csv"
      className="visually-hidden"
      aria-label="File to bring in"
      onChange={(e) => void take(e.target.files?.[0])}
    />
  );
  if (!file)
    return (
      <main className="page scroll">
        <div
          className="p-6 pt-4 max-w-[980px]"
          onDragOver={(e) => e.preventDefault()}
          onDrop={(e) => {
            e.preventDefault();
            void take(e.dataTransfer.files[0]);
          }}
        >
          {chooser}
          <OutAndIn onChoose={() => input.current?.click()} wrong={wrong} />
        </div>
      </main>
    );
  return (
    <main className="page split exchange">
      <h1 className="visually-hidden">Bring in {file.name}</h1>
      {chooser}
      <div className="say">
        <span>Bring in</span>
        <b className="file-name">{file.name}</b>
        {preview && preview.kind !== 'json' && (
          <>
            <span>as</span>
            <PickList
              label="Table"
              shown={preview.kind}
              chosen={preview.kind}
              choices={TABLES.map((t) => ({ value: t, text: t }))}
              onPick={(t) => {
                setAnswers({});
                setTable(t);
              }}
            />
          </>
        )}
        <span className="small">
          {preview ? `${preview.found}: found out by itself` : isLoading ? 'Reading it.' : ''}
        </span>
        <span className="gap" />
        <button type="button" className="btn quiet" onClick={() => input.current?.click()}>
          Another file
        </button>
      </div>
      {failure ? (
        <section className="work">
          <Note
            bad
            action={
              <button type="button" className="btn" onClick={() => input.current?.click()}>
                Another file
              </button>
            }
          >
            <b>It cannot be read.</b> {failure.message} Nothing was written.
          </Note>
        </section>
      ) : preview ? (
        <Found
          preview={preview}
          answers={answers}
          onAnswer={(f, says) => setAnswers({ ...answers, [keyOf(f)]: says })}
        />
      ) : (
        <section className="work">
          <p className="small">Reading {file.name}.</p>
        </section>
      )}
      <section className="paper" aria-label="What will happen">
        {preview && !failure && (
          <Outcome
            preview={preview}
            file={file}
            table={table}
            answers={answers}
            busy={isLoading}
            onDone={() => {
              setFile(null);
              reset();
            }}
          />
        )}
      </section>
    </main>
  );
}

const WILL = { refused: 'refused', open: 'open', read: '' } as const;
const SHOWN_FAULTS = 200;

/** The faults by row and column; the chosen one shows its row with its neighbour, and how it can be answered. */
function Found({
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
                <tr
                  key={`${keyOf(f)}${i}`}
                  className={f === chosen ? 'on' : ''}
                  onClick={() => setAt(i)}
                >
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
          {faults.length > SHOWN_FAULTS && (
            <p className="small">And {faults.length - SHOWN_FAULTS} more: take them as CSV.</p>
          )}
        </div>
      )}
      {chosen && <RowShown preview={preview} fault={chosen} />}
      {chosen?.will === 'open' && (
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
      )}
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

const COUNTS = [
  ['added', 'added'],
  ['changed', 'changed; a recipe as a new version on trial'],
  ['same', 'the same as here, left alone'],
  ['open', 'open, left out till answered'],
  ['refused', 'refused'],
] as const;
const quoted = (t: string) => `"${(/^[=+\-@]/.test(t) ? ` ${t}` : t).replaceAll('"', '""')}"`;
const faultsCsv = (faults: readonly Fault[]) =>
  [
    'row,column,it says,what is wrong,will be',
    ...faults.map((f) =>
      [String(f.row), quoted(f.column), quoted(f.says), quoted(f.why), quoted(f.as || f.will)].join(
        ',',
      ),
    ),
  ].join('\r\n');
function Outcome({
  preview,
  file,
  table,
  answers,
  busy,
  onDone,
}: {
  preview: Preview;
  file: File_;
  table: TableName | null;
  answers: Record<string, string>;
  busy: boolean;
  onDone: () => void;
}) {
  const [run, { isLoading, error }] = useRunImportMutation();
  const [id] = useState(newId);
  const dispatch = useAppDispatch();
  const { counts } = preview;
  const going = counts.added + counts.changed;
  const read = preview.faults.filter((f) => f.will === 'read').length;
  const go = () =>
    void run({ id, name: file.name, text: file.text, table, answers })
      .unwrap()
      .then(
        (done) => {
          dispatch(
            toastShown({
              text: `${file.name} is in: ${done.counts.added} added, ${done.counts.changed} changed.`,
            }),
          );
          onDone();
        },
        () => undefined,
      );
  return (
    <>
      <h2>What will happen</h2>
      <dl className="outcome">
        {COUNTS.map(([key, words]) =>
          counts[key] > 0 || key === 'added' ? (
            <div key={key}>
              <dt>{counts[key]}</dt>
              <dd>{words}</dd>
            </div>
          ) : null,
        )}
      </dl>
      <p className="small mt-2">
        {read > 0
          ? `${read} ${read === 1 ? 'cell is' : 'cells are'} read otherwise than written. `
          : ''}
        All in one step; it can be taken back as a whole, as long as nothing of it was brewed or
        changed.
      </p>
      {error && (
        <Note bad>
          <b>Not brought in.</b> {failureOf(error).message}
        </Note>
      )}
      <div className="foot flex-col">
        <button
          type="button"
          className="btn go"
          disabled={going === 0 || busy || isLoading}
          onClick={go}
        >
          {isLoading ? 'Bringing it in' : going === 0 ? 'Nothing to bring in' : `Bring in ${going}`}
        </button>
        {preview.faults.length > 0 && (
          <a
            className="btn"
            download={`faults of ${file.name.replace(/\.\w+$/, '')}.csv`}
            href={`data:text/csv;charset=utf-8,${encodeURIComponent(`\uFEFF${faultsCsv(preview.faults)}`)}`}
          >
            Faults as CSV, to mend in the file
          </a>
        )}
      </div>
    </>
  );
}

/** The ways out, the way in, and what was brought in before. */
function OutAndIn({ onChoose, wrong }: { onChoose: () => void; wrong: string }) {
  const { data } = useImportsQuery();
  return (
    <>
      <h1 className="text-[28px]">Exchange</h1>
      <h2 className="mt-4">
        Bring in
        <small>
          a book of this house’s format, or a table of teas, lots, recipes or vessels as CSV
        </small>
      </h2>
      <p>
        Drop a file here or choose one. It is read first: you see what it would add and change, and
        every fault by row and column. Nothing is written until you confirm it.
      </p>
      <div className="mt-2">
        <button type="button" className="btn go" onClick={onChoose}>
          Choose a file
        </button>
      </div>
      {wrong && (
        <p className="fault mt-2" role="alert">
          {wrong}
        </p>
      )}
      <h2 className="mt-6">Take out</h2>
      <ul className="take-out">
        <li>
          <b>The whole book</b>
          <span className="small">
            teas, lots, recipes with every version, scoops, vessels; it comes back in as it went out
          </span>
          <a className="btn slim" href="/api/exchange/book.json" download>
            JSON
          </a>
        </li>
        {TABLES.map((t) => (
          <li key={t}>
            <b>
              {t[0]?.toUpperCase()}
              {t.slice(1)}
            </b>
            <span className="small">a table, each unit in its header</span>
            <span className="flex gap-2">
              <a className="btn slim" href={`/api/exchange/${t}.csv`} download>
                CSV, 1.5
              </a>
              <a className="btn slim" href={`/api/exchange/${t}.csv?comma=comma`} download>
                CSV, 1,5
              </a>
            </span>
          </li>
        ))}
      </ul>
      <h2 className="mt-6">Brought in before</h2>
      {(data?.imports ?? []).length === 0 ? (
        <p className="small">Nothing yet.</p>
      ) : (
        <ul className="take-out">
          {data?.imports.map((i) => (
            <Before key={i.id} one={i} />
          ))}
        </ul>
      )}
    </>
  );
}
function Before({ one }: { one: Import }) {
  const [undo, { isLoading, error }] = useUndoImportMutation();
  return (
    <li>
      <b>{one.name}</b>
      <span className="small">
        {one.by.name}, {dayText(one.at)} {clockText(one.at)}: {one.counts.added} added,{' '}
        {one.counts.changed} changed{one.undone ? '; taken back' : ''}
        {error && <span className="fault"> {failureOf(error).message}</span>}
      </span>
      {one.undone ? (
        <span />
      ) : (
        <button
          type="button"
          className="btn slim"
          disabled={isLoading}
          onClick={() => void undo(one.id)}
        >
          Take it back
        </button>
      )}
    </li>
  );
}
