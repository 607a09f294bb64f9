import { type Remote, wrap } from 'comlink';
import type { PhotoWorker } from './photo.worker';

let remote: Remote<PhotoWorker> | null = null;
/** Pixels are worked in here; a picture never leaves the device. */
export const photoWorker = (): Remote<PhotoWorker> =>
  (remote ??= wrap<PhotoWorker>(
    new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' }),
  ));
