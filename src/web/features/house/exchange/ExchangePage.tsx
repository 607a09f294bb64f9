import { useEffect, useRef, useState } from 'react';
import { type Preview, type TableName, TABLES } from '#contracts/exchange';
import { usePreviewImportMutation } from '../../../entities/exchange/api';
import { failureOf } from '../../../platform/api';
import { useGo } from '../../../platform/useGo';
import { useKeys } from '../../../ui/keys';
import { Note } from '../../../ui/Note';
import { PickList } from '../../../ui/PickList';
import { type BookFile, keyOf } from './file';
import { Found } from './Found';
import { OutAndIn } from './OutAndIn';
import { Outcome } from './Outcome';

const MOST_BYTES = 8_000_000;

/** The book out and in: a file is read and told apart by row and column; nothing is written until it is confirmed. */
export function ExchangePage() {
  const [file, setFile] = useState<BookFile | null>(null);
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
  const choose = () => input.current?.click();
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
          <OutAndIn onChoose={choose} wrong={wrong} />
        </div>
      </main>
    );
  return (
    <main className="page split exchange">
      <h1 className="visually-hidden">Bring in {file.name}</h1>
      {chooser}
      <ExchangeSentence
        file={file}
        preview={preview}
        isReading={isLoading}
        onTable={(next) => {
          setAnswers({});
          setTable(next);
        }}
        onOther={choose}
      />
      {failure && <Unreadable why={failure.message} onOther={choose} />}
      {!failure && preview && (
        <Found
          preview={preview}
          answers={answers}
          onAnswer={(fault, says) => setAnswers({ ...answers, [keyOf(fault)]: says })}
        />
      )}
      {!failure && !preview && (
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

/** Which file, and as what it is read. */
function ExchangeSentence({
  file,
  preview,
  isReading,
  onTable,
  onOther,
}: {
  file: BookFile;
  preview: Preview | undefined;
  isReading: boolean;
  onTable: (table: TableName) => void;
  onOther: () => void;
}) {
  return (
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
            onPick={onTable}
          />
        </>
      )}
      {preview && <span className="small">{preview.found}: found out by itself</span>}
      {!preview && isReading && <span className="small">Reading the file.</span>}
      <span className="gap" />
      <button type="button" className="btn quiet" onClick={onOther}>
        Another file
      </button>
    </div>
  );
}

/** A file that is no book of any kind. */
function Unreadable({ why, onOther }: { why: string; onOther: () => void }) {
  return (
    <section className="work">
      <Note
        bad
        action={
          <button type="button" className="btn" onClick={onOther}>
            Another file
          </button>
        }
      >
        <b>The file cannot be read.</b> {why} Nothing was written.
      </Note>
    </section>
  );
}
