import { store } from './store';
import { toastShown } from './toasts';

const CHECK_MS = 30 * 60_000;

let newer: ServiceWorker | null = null;

/**
 * Keeps the application itself on this device, so that it opens without a server. A newer one waits until it is asked
 * for: what is not sent lies in the device's own storage and is sent by whichever version comes next.
 */
export function newerVersions(): void {
  if (!('serviceWorker' in navigator) || import.meta.env.DEV) return;
  let asked = false;
  const tell = (waiting: ServiceWorker) => {
    if (asked) return;
    asked = true;
    store.dispatch(
      toastShown({
        text: 'A newer Limnos is here. Brews go on; nothing typed is lost by waiting.',
        act: { words: 'Load it', run: 'newVersion' },
      }),
    );
    newer = waiting;
  };
  navigator.serviceWorker.register('/sw.js').then(
    (registration: ServiceWorkerRegistration | undefined) => {
      if (!registration) return;
      if (registration.waiting && navigator.serviceWorker.controller) tell(registration.waiting);
      registration.addEventListener('updatefound', () => {
        const coming = registration.installing;
        coming?.addEventListener('statechange', () => {
          if (coming.state === 'installed' && navigator.serviceWorker.controller) tell(coming);
        });
      });
      setInterval(() => void registration.update().catch(() => undefined), CHECK_MS);
    },
    () => undefined,
  ); // not over https: the application works as long as the server answers
}
/** Takes the newer version up: the page is loaded anew once it has the page. */
export function takeNewer(): void {
  navigator.serviceWorker.addEventListener('controllerchange', () => location.reload(), {
    once: true,
  });
  newer?.postMessage({ type: 'SKIP_WAITING' });
}
