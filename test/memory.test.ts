import { v7 } from 'uuid';
// @ts-expect-error -- plain JavaScript of the scripts
import { signIn } from '../scripts/lib/house.mjs';
// @ts-expect-error -- plain JavaScript of the scripts
import { startHouse } from '../scripts/lib/started.mjs';

// A machine whose memory is short: the application gets so little that a busy moment uses it up.

type House = {
  address: string;
  said(): string;
  application(): number | null;
  stop(): Promise<void>;
  remove(): void;
};
type Caller = {
  headers: Record<string, string>;
  get(path: string): Promise<{ orders: { id: string }[] }>;
  post(path: string, body: object): Promise<Response>;
  site: { id: string };
  teas: { id: string; house: object | null; method: string }[];
};
const SLOW_MACHINE_MS = 240_000;
/** How much an application needs to start depends on the program and on Node: from too little upwards, MB. */
const FROM_MB = 32;
const STEP_MB = 6;
const MOST_MB = 128;
/** So many books are asked for at once, again and again. */
const AT_ONCE = 120;
const ROUNDS = 60;

const startWith = (megabytes: number): Promise<House> =>
  // Jest takes a worker that passes on what Node says of its end for one that has ended so itself.
  startHouse({ days: 1, quiet: true, env: { NODE_OPTIONS: `--max-old-space-size=${megabytes}` } });

/** The house with hardly more memory than it needs to start; and what was said where it did not start. */
async function startWithLeast(): Promise<{ house: House; refusals: string[] }> {
  const refusals: string[] = [];
  for (let megabytes = FROM_MB; megabytes <= MOST_MB; megabytes += STEP_MB)
    try {
      return { house: await startWith(megabytes), refusals };
    } catch (error) {
      refusals.push(String(error));
    }
  throw new Error(`it does not start with ${MOST_MB} MB: ${refusals.join('\n')}`);
}

async function untilAnswered(address: string): Promise<void> {
  for (let i = 0; i < 300; i++) {
    const answer = await fetch(`${address}/api/ready`).catch(() => null);
    if (answer?.status === 200) return;
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Error('not back in half a minute');
}

test(
  'too little memory to start is said in words; used up later, the house is back by itself with all it acknowledged',
  async () => {
    const { house, refusals } = await startWithLeast();
    expect(refusals.at(-1)).toContain(
      'The server did not start: it ended because its memory was used up',
    );
    try {
      const me = (await signIn(house.address)) as Caller;
      const tea = me.teas.find((t) => t.house && t.method === 'pot');
      const id = v7();
      const kept = await me.post('/api/orders', {
        ...{ id, siteId: me.site.id, teaId: tea?.id, vesselId: null, water: null },
        ...{ forWhom: 'table 4', rank: 1, at: Date.now() },
      });
      expect(kept.status).toBe(200);
      const first = house.application();
      for (let round = 0; round < ROUNDS && house.application() === first; round++)
        await Promise.all(
          Array.from({ length: AT_ONCE }, () =>
            fetch(`${house.address}/api/book`, { headers: me.headers }).then(
              (answer) => answer.arrayBuffer().catch(() => null),
              () => null,
            ),
          ),
        );
      await untilAnswered(house.address);
      expect(house.application()).not.toBe(first);
      expect(house.said()).toContain(
        'The server ended because its memory was used up. Limnos starts it again.',
      );
      expect((await me.get('/api/bar')).orders.map((o) => o.id)).toContain(id);
    } finally {
      await house.stop();
      house.remove();
    }
  },
  SLOW_MACHINE_MS,
);
