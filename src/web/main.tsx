import './platform/early';
import './styles/index.css';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { keepTime } from './platform/clock';
import { leftUnsent, restored } from './platform/outbox/outbox';
import { newerVersions } from './platform/serviceWorker';
import { store } from './platform/store';
import { App } from './shell/App';
import { restoreOffline } from './shell/offlineCache';
import { prefetch } from './shell/prefetch';
import { setUp } from './shell/setUp';

/**
 * What this device kept comes first: a tablet opened without a server starts with it, and what was not sent is sent.
 */
async function begin() {
  setUp();
  keepTime();
  await restoreOffline(store.dispatch).catch(() => undefined);
  const root = document.getElementById('root');
  if (root)
    createRoot(root).render(
      <StrictMode>
        <Provider store={store}>
          <App />
        </Provider>
      </StrictMode>,
    );
  store.dispatch(restored(await leftUnsent().catch(() => [])));
  prefetch();
  newerVersions();
}
void begin();
