import { connect } from 'node:net';
import { AppError } from '../../http/errors';

/** A printer has so long to be reached, and to take a label, ms. */
const WITHIN_MS = 5000;

/** Sends bytes to a printer's port. @throws in words when it cannot be reached or does not take them */
export function sendTo(
  { name, host, port }: { name: string; host: string; port: number },
  bytes: Uint8Array,
): Promise<void> {
  return new Promise((resolve, reject) => {
    const away = (why: string) =>
      reject(
        new AppError(
          'printer.away',
          502,
          `${name} ${why}. Check that the printer is on, has paper and is in this network.`,
        ),
      );
    const socket = connect({ host, port });
    socket.setTimeout(WITHIN_MS, () => {
      socket.destroy();
      away('does not answer');
    });
    socket.once('error', () => away('cannot be reached'));
    // Ended when all of it was sent; a printer that answers is not listened to.
    socket.once('connect', () => socket.end(bytes));
    socket.resume();
    socket.once('finish', () => {
      socket.destroy();
      resolve();
    });
  });
}
