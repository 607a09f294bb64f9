// One request as a device sends it, by either of the house's addresses.
import { type IncomingMessage, request as plain } from 'node:http';
import { request as secure } from 'node:https';

export type Address = { readonly origin: string; readonly ca?: string };
export type Answer = { readonly status: number; readonly body: string };

/** Sends a request and reads the whole answer. The authority `ca` is trusted for it. */
export const ask = (
  { origin, ca }: Address,
  path: string,
  { method, headers, body }: { method: string; headers: Record<string, string>; body?: Uint8Array },
): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const { protocol, hostname, port } = new URL(origin);
    const read = (res: IncomingMessage) => {
      const parts: Buffer[] = [];
      res.on('data', (part: Buffer) => parts.push(part));
      res.on('end', () =>
        resolve({ status: res.statusCode ?? 0, body: Buffer.concat(parts).toString('utf8') }),
      );
      res.on('error', reject);
    };
    const options = { hostname, port, path, method, headers, ca };
    const sent = protocol === 'https:' ? secure(options, read) : plain(options, read);
    sent.on('error', reject);
    sent.end(body);
  });
