import './styles/index.css';
import { setAutoFreeze } from 'immer';
import { startTransition, StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { keepTime } from './platform/clock';
import { leftUnsent, restored } from './platform/outbox/outbox';
import { newerVersions } from './platform/serviceWorker';
import { store } from './platform/store';
import { App } from './shell/App';
import { type Answered, askServer, askTheRest, restoreOffline } from './shell/offlineCache';
import { inAQuietMoment, prefetch } from './shell/prefetch';
import { setUp } from './shell/setUp';

/** A page waits so long for the server before it begins with what this device kept, ms. */
const FIRST_ANSWER_MS = 700;

/**
 * The server's first answers are drawn at once, in one piece. Without them what this device kept comes first: a tablet
 * that is opened without a server begins with it, and what was not sent is sent.
 */
async function begin() {
  // Whoever changes a record in the store by mistake hears of it in development and in tests; a tablet does not walk
  // through every answer of the server to freeze it.
  if (import.meta.env.PROD) setAutoFreeze(false);
  setUp();
  keepTime();
  // Reading the application was one task; what follows is another, so that a touch can come between them.
  await new Promise((next) => setTimeout(next));
  const late = new Promise<Answered>((resolve) => setTimeout(resolve, FIRST_ANSWER_MS, 'nothing'));
  const answered = await Promise.race([askServer(store.dispatch, store.getState), late]);
  if (answered === 'nothing')
    await restoreOffline(store.dispatch, store.getState).catch(() => undefined);
  const root = document.getElementById('root');
  if (root)
    // In pieces of a few milliseconds: a touch meanwhile is not kept waiting.
    startTransition(() =>
      createRoot(root).render(
        <StrictMode>
          <Provider store={store}>
            <App />
          </Provider>
        </StrictMode>,
      ),
    );
  store.dispatch(restored(await leftUnsent().catch(() => [])));
  inAQuietMoment(
    () => void askTheRest(store.dispatch, store.getState, answered).catch(() => undefined),
  );
  prefetch();
  newerVersions();
}
void begin();
