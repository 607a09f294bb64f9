import { Link } from 'react-router';
import { RunningStrip } from '../entities/brews/RunningStrip';
import { NAVIGATION } from './navigation';

/** The running strip, and the places along the counter's edge. */
export function CounterEdge({
  fullScreen,
  locked,
  at,
  onBar,
  hasFigures,
  onKeys,
}: {
  fullScreen: boolean;
  locked: boolean;
  at: (typeof NAVIGATION)[number] | undefined;
  onBar: boolean;
  /** The plain figures go to the places. */
  hasFigures: boolean;
  onKeys: () => void;
}) {
  return (
    <nav className="counter" aria-label="Places">
      {!fullScreen && <RunningStrip />}
      <div className="edge">
        {locked ? (
          <p className="locked-words">
            Locked. A steep can still be lifted; for the rest, type a PIN.
          </p>
        ) : (
          NAVIGATION.map((p, i) => (
            <Link key={p.path} to={p.path} aria-current={p === at ? 'page' : undefined}>
              <i>{hasFigures ? i + 1 : ''}</i>
              {p.name}
            </Link>
          ))
        )}
        {!locked && (
          <span className="tools">
            <Link className="btn quiet slim" to={onBar ? '/start?find=1' : '/book?find=1'}>
              Find <kbd>/</kbd>
            </Link>
            <button type="button" className="btn quiet slim keys" onClick={onKeys}>
              Keys <kbd>?</kbd>
            </button>
          </span>
        )}
      </div>
    </nav>
  );
}
