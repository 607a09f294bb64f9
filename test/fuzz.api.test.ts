// Requests made from the contracts, of every route and every role, by the plain address and by HTTPS: whatever is sent, the server has an answer for it.
// LIMNOS_FUZZ_REQUESTS and LIMNOS_FUZZ_SEED for more of it: npm run fuzz.
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
// @ts-expect-error -- plain JavaScript of the scripts
import { houseCertificates } from '../scripts/lib/certificates.mjs';
import { ENDPOINTS } from '../src/contracts/all';
import type { Endpoint } from '../src/contracts/endpoint';
import { type Role, ROLES } from '../src/contracts/people';
import { seeded } from '../src/core/numeric';
import * as t from '../src/server/db/schema/index';
import { COOKIE } from '../src/server/features/people';
import { newToken, tokenHash } from '../src/server/features/people/secrets';
import { secureServer } from '../src/server/features/shop';
import { type Address, ask } from './fuzz/ask';
import { type Chance, pick, schemaOf, valueOf } from './fuzz/values';
import { type Begun, begunHouse, newId } from './house';

const REQUESTS = Number(process.env.LIMNOS_FUZZ_REQUESTS ?? 2000);
const SEED = Number(process.env.LIMNOS_FUZZ_SEED ?? 20_260_214);
/** People are put right and signed in anew so often: what is sent may have ended them. */
const RENEW_EVERY = 50;
/** The stream has no end; a site whose people are put right has no use for others. */
const LEFT_OUT = new Set(['getLive']);

/** Asked for seldom: who is locked or out is refused everything after. */
const ENDS_SESSION = new Set(['lockSession', 'signOut']);
const cookies = new Map<Role, string>();
async function renew(h: Begun): Promise<void> {
  for (const role of ROLES) {
    const personId = h.ids[role];
    await h.db.update(t.people).set({ role, active: true }).where(eq(t.people.id, personId));
    await h.db
      .insert(t.personSites)
      .values({ personId, siteId: h.ids.site })
      .onDuplicateKeyUpdate({ set: { personId } });
    const token = newToken();
    await h.db.insert(t.sessions).values({
      tokenHash: tokenHash(token),
      personId,
      siteId: h.ids.site,
      begun: new Date(h.now()),
      expires: new Date(h.now() + 86_400_000),
    });
    cookies.set(role, `${COOKIE}=${token}`);
  }
}
/** Ids of things that are there, of things that were made here, and of nothing. */
async function idsOf(h: Begun): Promise<string[]> {
  const some = async (
    table: typeof t.brews | typeof t.tastings | typeof t.orders | typeof t.lots,
  ) => (await h.db.select({ id: table.id }).from(table).limit(6)).map((r) => r.id);
  return [
    ...Object.values(h.ids),
    ...(await some(t.brews)),
    ...(await some(t.tastings)),
    ...(await some(t.orders)),
    ...(await some(t.lots)),
    newId(),
    newId(),
  ];
}
const asText = (v: unknown): string =>
  encodeURIComponent(String(typeof v === 'object' ? JSON.stringify(v) : v).toWellFormed());
function addressOf(e: Endpoint, ids: readonly string[], h: Begun, chance: Chance): string {
  const params = valueOf(schemaOf(e.params), { ids, now: h.now() }, chance) as Record<
    string,
    unknown
  >;
  const path = e.path.replace(/:(\w+)/g, (_all, name: string) =>
    chance() < 0.02 ? pick(chance, ['%', '%E0%A4%A', '..', '%00']) : asText(params?.[name] ?? 'x'),
  );
  const query = valueOf(schemaOf(e.query), { ids, now: h.now() }, chance);
  const pairs = Object.entries((query ?? {}) as Record<string, unknown>)
    .filter(([, v]) => v !== undefined)
    .map(([k, v]) => `${asText(k)}=${asText(v)}`);
  return pairs.length > 0 ? `${path}?${pairs.join('&')}` : path;
}
function bodyOf(e: Endpoint, ids: readonly string[], h: Begun, chance: Chance, jpeg: Buffer) {
  if (e.method === 'GET') return undefined;
  if (e.brings === 'picture')
    return new Uint8Array(
      pick(chance, [jpeg, jpeg.subarray(0, 200), Buffer.alloc(3), Buffer.from('<svg/>')]),
    );
  return JSON.stringify(valueOf(schemaOf(e.body), { ids, now: h.now() }, chance));
}

test(`${REQUESTS} requests of every route and role: none ends in a 5xx`, async () => {
  const h = await begunHouse();
  const tls = mkdtempSync(join(tmpdir(), 'limnos-fuzz-'));
  const { certificate, key, authority } = await houseCertificates(tls, {
    where: () => ({ names: ['teahouse.local'], addresses: ['127.0.0.1'] }),
  });
  const servers = [createServer(h.app), secureServer(h.app, certificate, key)];
  const portOf = async (server: Server) => {
    await new Promise<void>((r) => server.listen(0, '127.0.0.1', r));
    return (server.address() as AddressInfo).port;
  };
  const addresses: Address[] = [
    { origin: `http://127.0.0.1:${await portOf(servers[0] as Server)}` },
    {
      origin: `https://127.0.0.1:${await portOf(servers[1] as Server)}`,
      ca: readFileSync(authority, 'utf8'),
    },
  ];
  const jpeg = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#854' } })
    .jpeg()
    .toBuffer();
  const all = Object.entries(ENDPOINTS).filter(([name]) => !LEFT_OUT.has(name));
  const chance = seeded(SEED);
  const statuses = new Map<number, number>();
  const faults: string[] = [];
  const good = new Set<string>();
  let slowest = { ms: 0, what: '' };
  let ids: string[] = [];
  for (let i = 0; i < REQUESTS; i++) {
    if (i % RENEW_EVERY === 0) {
      await renew(h);
      ids = await idsOf(h);
    }
    const [name, e] = all[i % all.length] as [string, Endpoint];
    if (ENDS_SESSION.has(name) && chance() < 0.9) continue;
    const role = chance() < 0.1 ? null : pick(chance, chance() < 0.5 ? ['lead'] : ROLES);
    const path = addressOf(e, ids, h, chance);
    const body = bodyOf(e, ids, h, chance, jpeg);
    const from = performance.now();
    const address = pick(chance, addresses);
    const res = await ask(address, path, {
      method: e.method,
      headers: {
        origin: address.origin,
        ...(role ? { cookie: cookies.get(role as Role) ?? '' } : {}),
        ...(body === undefined
          ? {}
          : { 'content-type': e.brings === 'picture' ? 'image/jpeg' : 'application/json' }),
      },
      ...(body === undefined ? {} : { body: Buffer.from(body as string) }),
    });
    const ms = performance.now() - from;
    if (ms > slowest.ms) slowest = { ms, what: `${name} as ${role}` };
    statuses.set(res.status, (statuses.get(res.status) ?? 0) + 1);
    if (res.status < 300) good.add(name);
    if (res.status >= 500)
      faults.push(
        `request ${i}: ${name} as ${role}, ${e.method} ${address.origin}${path.slice(0, 300)} ${String(body).slice(0, 600)}: ${res.status} ${res.body.slice(0, 200)}`,
      );
  }
  for (const server of servers) {
    server.closeAllConnections();
    server.close();
  }
  rmSync(tls, { recursive: true });
  await h.close();
  if (process.env.LIMNOS_FUZZ_REQUESTS)
    console.log(
      `${REQUESTS} requests, seed ${SEED}: ${[...statuses]
        .sort((a, b) => a[0] - b[0])
        .map(([s, n]) => `${s} x ${n}`)
        .join(
          ', ',
        )}; ${good.size} of ${all.length} routes answered well at least once; slowest ${Math.round(slowest.ms)} ms (${slowest.what})`,
    );
  expect(faults).toEqual([]);
  // It reaches what lies behind the contracts, not their refusals alone.
  expect(statuses.get(200) ?? 0).toBeGreaterThan(REQUESTS / 20);
}, 3_600_000);
