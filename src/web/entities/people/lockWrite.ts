import { ROUTES } from '#contracts/routes';
import type { WaitingWrite, WriteKind } from '../../platform/outbox/writes';

/** Nobody is at this tablet: sent after what was done by whoever was. */
export type LockWrite = WaitingWrite & { readonly kind: 'lock'; readonly device: string };

const lock: WriteKind<LockWrite> = {
  call: ({ device }) => ({ url: ROUTES.lockSession.path, method: 'POST', body: { device } }),
  subjects: () => ['session'],
  accept: () => undefined,
  stale: () => ['House'],
  refused: ['House'],
  // A person asks for it, whatever the tablet is called.
  maker: (w) => (w.maker ? { ...w.maker, device: null } : null),
  isPointless: ({ maker }, here) =>
    maker !== undefined && (maker.personId !== here.personId || here.device !== null),
};
export const lockWrites = { lock };
