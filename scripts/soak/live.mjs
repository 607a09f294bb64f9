// npm run soak -- live [seconds] [clients] [writes a second] [processes]: event-stream clients hear every write once, and
// how soon. Several processes stand behind nginx. Prints JSON. Ten minutes: node scripts/soak.mjs live 600. Clients run
// in a process of their own.
import { fork } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { needVessels, openHouse, percentile, round, signIn, startBody } from '../lib/house.mjs';

const [seconds = 60, clients = 200, perSecond = 50, processes = 1] = process.argv
  .slice(2)
  .map(Number);
const house = await openHouse();
const address = processes > 1 ? await house.serveMany(processes) : (await house.serve()).address;
const me = await signIn(address);
const vessels = await needVessels(me, 20);
const teas = me.teas.filter((t) => t.house && t.method === 'pot');
const brews = [];
for (let i = 0; i < 12; i++) {
  const body = startBody(me, teas[i], vessels.filter((v) => v.kind === 'pot')[i], { place: i + 1 });
  const res = await me.post('/api/brews', body);
  if (res.ok) brews.push(body.id);
}
const ears = fork(new URL('./ears.mjs', import.meta.url), {
  stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
});
ears.send({ address, cookie: me.headers.cookie, clients });
await new Promise((r) => ears.once('message', r));

/** Of all processes together, MB. */
const rss = () =>
  house.servers
    .map(({ child }) => readFileSync(`/proc/${child.pid}/status`, 'utf8'))
    .reduce((sum, status) => sum + Number(/VmRSS:\s+(\d+)/.exec(status)?.[1] ?? 0) / 1024, 0);
const memory = [];
const written = [];
const delays = [];
let refused = 0;
const begun = performance.now();
const pending = new Set();
/** The step of each brew that stands. */
const stands = new Map();
for (let n = 0; (performance.now() - begun) / 1000 < seconds; n++) {
  const due = begun + (n * 1000) / perSecond;
  const wait = due - performance.now();
  if (wait > 0) await new Promise((r) => setTimeout(r, wait));
  const brew = brews[n % brews.length];
  const id = me.id();
  const asked = Date.now();
  // A drain, then its taking back: the record stays as large as it was.
  const last = stands.get(brew);
  stands.set(brew, last ? null : id);
  const one = me
    .post(
      `/api/brews/${brew}/events`,
      last
        ? { id, at: asked, kind: 'undo', of: last }
        : { id, at: asked, kind: 'step', key: 'drain', outcome: 'done' },
    )
    .then(async (res) => {
      if (!res.ok) {
        refused += 1;
        return;
      }
      await res.arrayBuffer();
      written.push(brew);
      delays.push(Date.now() - asked);
    });
  pending.add(one);
  one.finally(() => pending.delete(one));
  if (n % (perSecond * 5) === 0) memory.push(round(rss()));
}
await Promise.all(pending);
await new Promise((r) => setTimeout(r, 2500));
const heard = await new Promise((r) => {
  ears.once('message', r);
  ears.send('tell');
});
// Twelve samples a minute: its mean is without the sawtooth of the garbage collector.
const minutes = Array.from({ length: Math.floor(memory.length / 12) }, (_, i) =>
  round(memory.slice(i * 12, i * 12 + 12).reduce((a, b) => a + b, 0) / 12),
);
const minuteMean = minutes.slice(1).reduce((a, b) => a + b, 0) / Math.max(1, minutes.length - 1);
const settled = memory.slice(Math.floor(memory.length / 4));
const mean = settled.reduce((a, b) => a + b, 0) / settled.length;
console.log(
  JSON.stringify(
    {
      run: 'live',
      processes,
      seconds,
      clients,
      wanted: perSecond,
      written: written.length,
      refused,
      perSecond: round(written.length / seconds),
      eventsEach: heard.each,
      everyClientEveryEvent: heard.missing === 0,
      missing: heard.missing,
      twice: heard.twice,
      delayMs: heard.delay,
      wantedP99: 300,
      writeMs: { p50: percentile(delays, 0.5), p99: percentile(delays, 0.99) },
      serverMemoryMb: {
        first: memory[0],
        last: memory.at(-1),
        mean: round(mean),
        spread: round(((Math.max(...settled) - Math.min(...settled)) / mean) * 100) + ' %',
        byMinute: minutes,
        afterTheFirstMinute:
          minutes.length > 2
            ? `${round(-100 * (1 - Math.min(...minutes.slice(1)) / minuteMean))} % to +${round(100 * (Math.max(...minutes.slice(1)) / minuteMean - 1))} %`
            : null,
      },
    },
    null,
    2,
  ),
);
ears.kill();
await house.close();
