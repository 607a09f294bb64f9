import { useState } from 'react';
import type { Printer } from '#contracts/printers';
import { useSession, useZone } from '../../../entities/people/session';
import { usePrintOnMutation, useRemovePrinterMutation } from '../../../entities/printers/api';
import { failureOf } from '../../../platform/api';
import { NotSaved } from '../../../platform/NotSaved';
import { oneTap } from '../../../ui/keys';

const LANGUAGES = { zpl: 'ZPL', escpos: 'ESC/POS' } as const;

/** The label printers of every site; a test label says whether one is reached. */
export function PrinterList({ printers }: { printers: readonly Printer[] }) {
  if (printers.length === 0)
    return <p className="small">No label printer yet. Labels print as PDF on any printer.</p>;
  return (
    <ul>
      {printers.map((p) => (
        <OnePrinter key={p.id} printer={p} />
      ))}
    </ul>
  );
}

function OnePrinter({ printer: p }: { printer: Printer }) {
  const { site, sites } = useSession();
  const zone = useZone();
  const [print, printing] = usePrintOnMutation();
  const [remove, removing] = useRemovePrinterMutation();
  const [sure, setSure] = useState(false);
  const test = () => void print({ printerId: p.id, of: { kind: 'test', zone }, copies: 1 });
  return (
    <li className="border-b border-line py-2">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <div className="flex-1 min-w-[220px]">
          <b>{p.name}</b>{' '}
          <span className="small">{sites.find((s) => s.id === p.siteId)?.name}</span>
          <div className="small break-all">
            {LANGUAGES[p.language]}, {p.host}:{p.port}
          </div>
        </div>
        {p.siteId === site.id && (
          <button type="button" className="btn slim" disabled={printing.isLoading} onClick={test}>
            Print a test label<span className="visually-hidden"> on {p.name}</span>
          </button>
        )}
        <button
          type="button"
          className="btn quiet slim"
          disabled={removing.isLoading}
          onClick={oneTap(() => (sure ? void remove(p.id) : setSure(true)))}
        >
          {sure ? 'Take out now' : 'Take out'}
          <span className="visually-hidden"> {p.name}</span>
        </button>
      </div>
      <p role="status" className="small">
        {printing.isLoading && 'Sending'}
        {printing.isSuccess && 'The printer took the label. Look at the printed label.'}
      </p>
      {printing.isError && (
        <p className="fault" role="alert">
          {failureOf(printing.error).message}
        </p>
      )}
      <NotSaved error={removing.error} />
    </li>
  );
}
