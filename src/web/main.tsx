import './app/early';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { fetchAhead } from './app/ahead';
import { App } from './app/App';
import { keepTime } from './app/clock';
import { newerVersions } from './app/offline';
import { leftUnsent, restored } from './app/outbox';
import { remember } from './app/remembered';
import { store } from './app/store';
import './styles/index.css';

/**
 * What this device kept comes first: a tablet opened without a server starts with it, and what was not sent is sent.
 */
async function begin() {
  keepTime();
  await remember(store.dispatch).catch(() => undefined);
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
  fetchAhead();
  newerVersions();
}
void begin();
