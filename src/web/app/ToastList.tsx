import { useEffect, useRef } from 'react';
import { useHands, useBar } from '../features/bar';
import { useKeys } from '../ui/keys';
import { useAppDispatch, useAppSelector } from './store';
import { toastGone, type Toast } from './toasts';

/** A pull can be taken back for so long. */
const UNDO_MS = 10_000;
const READ_MS = 6000;

/** What was just done, with Undo where it can be undone; stays while it is touched. */
export function Toasts() {
  const toasts = useAppSelector((s) => s.toasts);
  const last = [...toasts].reverse().find((t) => t.undo);
  const dispatch = useAppDispatch();
  const { brews } = useBar();
  const { send } = useHands();
  const undo = (t: Toast) => {
    const brew = brews.find((b) => b.id === t.undo?.brewId);
    if (brew) send(brew, { kind: 'undoPull' });
    dispatch(toastGone(t.id));
  };
  useKeys(last ? [{ key: 'z', does: 'Undo', run: () => undo(last) }] : []);
  return <div className="toasts" role="status">{toasts.map((t) => <OneToast key={t.id} toast={t} onUndo={() => undo(t)} />)}</div>;
}

function OneToast({ toast, onUndo }: { toast: Toast; onUndo: () => void }) {
  const dispatch = useAppDispatch();
  const held = useRef(false);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    const go = () => {
      if (held.current) timer = setTimeout(go, 1000);
      else dispatch(toastGone(toast.id));
    };
    timer = setTimeout(go, toast.undo ? UNDO_MS : READ_MS);
    return () => clearTimeout(timer);
  }, [dispatch, toast.id, toast.undo]);
  return (
    <div className="toast" onPointerEnter={() => { held.current = true; }} onPointerLeave={() => { held.current = false; }}>
      <p>{toast.text}</p>
      {toast.undo ? <button type="button" className="btn quiet" onClick={onUndo}>Undo <kbd>Z</kbd></button> : <button type="button" className="btn quiet" onClick={() => dispatch(toastGone(toast.id))}>Close</button>}
    </div>
  );
}
