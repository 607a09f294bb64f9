// The house's own certificates, the server that shows them, and the page that lets devices in.
import { X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect } from 'node:tls';
// @ts-expect-error -- plain JavaScript of the scripts
import { houseCertificates, makeMachine } from '../scripts/lib/certificates.mjs';
import { helpServer, secureServer, shopAt } from '../src/server/features/shop';

type Made = {
  authority: string;
  authorityKey: string;
  certificate: string;
  key: string;
  fingerprint: string;
};
const DAY = 86_400_000;
const folder = mkdtempSync(join(tmpdir(), 'limnos-tls-'));
const NOW = Date.now();
const make = (
  over: { names?: string[]; addresses?: string[]; days?: number } = {},
): Promise<Made> =>
  houseCertificates(folder, {
    where: () => ({
      names: over.names ?? ['teahouse.local', 'teahouse'],
      addresses: over.addresses ?? ['192.168.7.20', '127.0.0.1'],
    }),
    now: NOW + (over.days ?? 0) * DAY,
  });
const portOf = (server: { address(): unknown }) => (server.address() as AddressInfo).port;
const read = (file: string) => new X509Certificate(readFileSync(file));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

test('an authority and a certificate by it, for every name and address; keys are their owner’s', async () => {
  const made = await make();
  const [authority, machine] = [read(made.authority), read(made.certificate)];
  expect([authority.ca, machine.ca]).toEqual([true, false]);
  expect(machine.checkIssued(authority) && machine.verify(authority.publicKey)).toBe(true);
  for (const host of ['teahouse.local', 'teahouse']) expect(machine.checkHost(host)).toBe(host);
  for (const ip of ['192.168.7.20', '127.0.0.1']) expect(machine.checkIP(ip)).toBe(ip);
  expect(machine.checkHost('elsewhere.local')).toBeUndefined();
  const days = (new Date(machine.validTo).getTime() - NOW) / DAY;
  expect(days).toBeGreaterThan(300);
  expect(days).toBeLessThan(398);
  for (const key of [made.authorityKey, made.key]) expect(statSync(key).mode & 0o077).toBe(0);
  expect(made.fingerprint).toBe(authority.fingerprint256.replaceAll(':', ' '));
});
test('a certificate is renewed for a new address or in its last month; its authority stays, so no device asks again', async () => {
  const serial = async (over: Parameters<typeof make>[0]) =>
    read((await make(over)).certificate).serialNumber;
  const { fingerprint } = await make();
  const first = await serial({});
  expect(await serial({ days: 200 })).toBe(first);
  const moved = await serial({ addresses: ['192.168.7.21'] });
  expect(moved).not.toBe(first);
  expect(await serial({ addresses: ['192.168.7.21'], days: 340 })).not.toBe(moved);
  expect((await make({ addresses: ['192.168.7.21'], days: 340 })).fingerprint).toBe(fingerprint);
});

describe('the authority speaks for this house alone, so that a stolen key of it is no key to the internet', () => {
  /** What the TLS library says to a device that trusts the authority and is shown the certificate. */
  const judged = async (files: Pick<Made, 'authority' | 'certificate' | 'key'>) => {
    const server = secureServer((_req, res) => res.end(), files.certificate, files.key).listen(
      0,
      '127.0.0.1',
    );
    await new Promise((r) => server.once('listening', r));
    const verdict = await new Promise<string>((resolve) => {
      const wire = connect(
        {
          host: '127.0.0.1',
          port: portOf(server),
          ca: readFileSync(files.authority),
          checkServerIdentity: () => undefined,
        },
        () => {
          resolve('believed');
          wire.end();
        },
      );
      wire.once('error', (e) => resolve(e.message));
    });
    server.close();
    return verdict;
  };
  test.each([
    ['teahouse.local', '192.168.7.20', 'believed'],
    ['bank.example', '192.168.7.20', 'permitted subtree violation'],
    ['teahouse.local', '8.8.4.4', 'permitted subtree violation'],
  ])('%s, %s: %s', async (name, address, expected) => {
    const stolen = {
      ...(await make()),
      certificate: join(folder, 'stolen.crt'),
      key: join(folder, 'stolen.key'),
    };
    await makeMachine(stolen, { names: [name], addresses: [address] }, NOW);
    expect(await judged(stolen)).toBe(expected);
  });
  test('an address of the internet is left out of the certificate; under another name the house has another authority', async () => {
    const { certificate, fingerprint } = await make({ addresses: ['8.8.4.4', '192.168.7.20'] });
    expect(read(certificate).checkIP('8.8.4.4')).toBeUndefined();
    expect(read(certificate).checkIP('192.168.7.20')).toBe('192.168.7.20');
    const renamed = await make({ names: ['tearoom.local'] });
    expect(renamed.fingerprint).not.toBe(fingerprint);
    expect(await judged(renamed)).toBe('believed');
    await make();
  });
});

test('a renewed certificate is shown without a new start', async () => {
  const { certificate, key, authority } = await make();
  const server = secureServer((_req, res) => res.end('tea'), certificate, key, 50).listen(
    0,
    '127.0.0.1',
  );
  await new Promise((r) => server.once('listening', r));
  const shown = () =>
    new Promise<string>((resolve, reject) => {
      const wire = connect(
        {
          host: '127.0.0.1',
          port: portOf(server),
          servername: 'teahouse.local',
          ca: readFileSync(authority),
        },
        () => {
          resolve(wire.getPeerX509Certificate()?.serialNumber ?? '');
          wire.end();
        },
      );
      wire.once('error', reject);
    });
  const before = await shown();
  await make({ addresses: ['192.168.7.99', '127.0.0.1'] });
  for (let i = 0; i < 100 && (await shown()) === before; i++)
    await new Promise((r) => setTimeout(r, 50));
  expect(await shown()).toBe(read(certificate).serialNumber);
  expect(await shown()).not.toBe(before);
  server.close();
});

describe('the plain page', () => {
  const servers: Server[] = [];
  afterAll(() => servers.forEach((s) => s.close()));
  const open = async (shop: Parameters<typeof helpServer>[0]) => {
    const server = createServer(helpServer(shop)).listen(0, '127.0.0.1');
    servers.push(server);
    await new Promise((r) => server.once('listening', r));
    return `http://127.0.0.1:${portOf(server)}`;
  };
  test('says how a device is let in, gives the certificate, and nothing else of the house', async () => {
    const { authority } = await make();
    const shop = shopAt({ host: 'teahouse.local', ip: '192.168.7.20' }, 8443, 8137, authority);
    expect([shop.address, shop.help]).toEqual([
      'https://teahouse.local:8443',
      'http://192.168.7.20:8137',
    ]);
    const at = await open(shop);
    const page = await (await fetch(at)).text();
    for (const words of ['iPadOS', 'Android', 'Windows', shop.address, shop.fingerprint])
      expect(page).toContain(words);
    expect(page.match(/<li>/g)).toHaveLength(15);
    expect(await (await fetch(`${at}/authority.crt`)).text()).toBe(readFileSync(authority, 'utf8'));
    for (const path of ['/api/house', '/index.html', '/machine.key', '/..%2fmachine.key'])
      expect([path, (await fetch(at + path)).status]).toEqual([path, 404]);
    expect((await fetch(at, { method: 'POST', body: 'x' })).status).toBe(405);
  });
  test('with the owner’s own certificate there is nothing to install', async () => {
    const shop = shopAt({ host: 'tea.example', ip: '192.168.7.20' }, 443, 80, '');
    expect([shop.address, shop.help, shop.fingerprint]).toEqual([
      'https://tea.example',
      'http://192.168.7.20',
      '',
    ]);
    const at = await open(shop);
    expect(await (await fetch(at)).text()).toContain('Nothing needs to be installed');
    expect((await fetch(`${at}/authority.crt`)).status).toBe(404);
  });
});
