import { useEffect } from 'react';
import { useRouteError } from 'react-router';
import { Note } from '../ui/Note';

const KEY = 'limnos.loadedAgain';
/** A page is loaded again by itself once in so long, ms: what fails twice is shown. */
const ONCE_IN_MS = 60_000;
/** What browsers say of a part of the page that could not be fetched. */
const NOT_FETCHED = /dynamically imported module|importing a module script failed|preload css/i;

const isNotFetched = (error: unknown): boolean =>
  error instanceof Error && NOT_FETCHED.test(error.message);
/** Loads the page again once the server answers; never while it is away: what is on the screen would be lost. */
async function loadAgainOnce(): Promise<void> {
  const now = Date.now();
  if (now - Number(sessionStorage.getItem(KEY) ?? 0) < ONCE_IN_MS) return;
  const answer = await fetch(location.href, { method: 'HEAD', cache: 'no-store' });
  if (!answer.ok) return;
  sessionStorage.setItem(KEY, String(now));
  location.reload();
}

/**
 * A part that did not load, or broke: what was started is on the server or in the outbox, and stays. A part that was lost
 * on its way is asked for once more without a touch.
 */
export function Broken() {
  const error = useRouteError();
  useEffect(() => {
    if (isNotFetched(error)) loadAgainOnce().catch(() => undefined);
  }, [error]);
  return (
    <main className="page p-8" style={{ alignContent: 'start' }}>
      <Note
        bad
        action={
          <button type="button" className="btn" onClick={() => location.reload()}>
            Load again
          </button>
        }
      >
        <b>This page did not load.</b> Brews go on and nothing is lost. Load it again.
      </Note>
    </main>
  );
}
