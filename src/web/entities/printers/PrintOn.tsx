import type { LabelOf } from '#contracts/printers';
import { failureOf } from '../../platform/api';
import { useSession } from '../people/session';
import { usePrintersQuery, usePrintOnMutation } from './api';

/** Prints a label on one of the site’s label printers; nothing where there is none. */
export function PrintOn({ of, onPrinted }: { of: LabelOf; onPrinted?: () => void }) {
  const { site } = useSession();
  const { data } = usePrintersQuery();
  const [print, printing] = usePrintOnMutation();
  const here = data?.printers.filter((p) => p.siteId === site.id) ?? [];
  if (here.length === 0) return null;
  const sent = here.find((p) => p.id === printing.originalArgs?.printerId);
  const start = async (printerId: string) => {
    const { error } = await print({ printerId, of, copies: 1 });
    if (!error) onPrinted?.();
  };
  return (
    <span className="inline-flex flex-wrap items-center gap-2">
      {here.map((p) => (
        <button
          key={p.id}
          type="button"
          className="btn quiet slim"
          disabled={printing.isLoading}
          onClick={() => void start(p.id)}
        >
          Print on {p.name}
        </button>
      ))}
      <span role="status" className="small">
        {printing.isLoading && 'Printing'}
        {printing.isSuccess && `Sent to ${sent?.name}.`}
      </span>
      {printing.isError && (
        <span className="fault" role="alert">
          {failureOf(printing.error).message}
        </span>
      )}
    </span>
  );
}
