import { useEffect, useRef } from 'react';
import { Link } from 'react-router';
import { isBatchUndo, useBatchCommands } from '../entities/batches/useBatchCommands';
import type { BrewUndo } from '../entities/brews/undo';
import { useBrewCommands } from '../entities/brews/useBrewCommands';
import { takeNewer } from '../platform/serviceWorker';
import { useAppDispatch, useAppSelector } from '../platform/store';
import { type Toast, toastGone } from '../platform/toasts';
import { useKeys } from '../ui/keys';

/** Whatever was done can be taken back for so long. */
const UNDO_MS = 10_000;
const READ_MS = 6000;
/** What was just done, with Undo where it can be undone; stays while it is touched. */
export function Toasts() {
  const toasts = useAppSelector((s) => s.toasts);
  // One at a time. The time of one that waits behind a newer one runs on: it does not come back as if it were news.
  const newest = toasts.at(-1);
  const last = [...toasts].reverse().find((t) => t.undo);
  const dispatch = useAppDispatch();
  const brews = useBrewCommands();
  const batches = useBatchCommands();
  const undo = (t: Toast) => {
    if (t.undo && isBatchUndo(t.undo)) batches.undo(t.undo);
    else if (t.undo) brews.undo(t.undo as BrewUndo);
    dispatch(toastGone(t.id));
  };
  useKeys(last ? [{ key: 'z', does: 'Undo', run: () => undo(last) }] : []);
  return (
    <div className="toasts" role="status">
      {toasts.map((t) => (
        <OneToast key={t.id} toast={t} shown={t === newest} onUndo={() => undo(t)} />
      ))}
    </div>
  );
}

function OneToast({ toast, shown, onUndo }: { toast: Toast; shown: boolean; onUndo: () => void }) {
  const dispatch = useAppDispatch();
  const held = useRef(false);
  useEffect(() => {
    // A pointer does not leave what is hidden under it.
    if (!shown) held.current = false;
  }, [shown]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const go = () => {
      if (held.current) timer = setTimeout(go, 1000);
      else dispatch(toastGone(toast.id));
    };
    // Something to decide stays until it is decided.
    if (toast.act) return;
    timer = setTimeout(go, toast.undo ? UNDO_MS : READ_MS);
    return () => clearTimeout(timer);
  }, [dispatch, toast.id, toast.undo, toast.act]);
  return (
    <div
      className="toast"
      hidden={!shown}
      onPointerEnter={() => {
        held.current = true;
      }}
      onPointerLeave={() => {
        held.current = false;
      }}
    >
      <p>{toast.text}</p>
      {toast.act && (
        <button type="button" className="btn quiet" onClick={takeNewer}>
          {toast.act.words}
        </button>
      )}
      {toast.link && (
        <Link
          className="btn quiet"
          to={toast.link.to}
          onClick={() => dispatch(toastGone(toast.id))}
        >
          {toast.link.words}
        </Link>
      )}
      {toast.undo ? (
        <button type="button" className="btn quiet" onClick={onUndo}>
          Undo <kbd>Z</kbd>
        </button>
      ) : (
        <button type="button" className="btn quiet" onClick={() => dispatch(toastGone(toast.id))}>
          Close
        </button>
      )}
    </div>
  );
}
