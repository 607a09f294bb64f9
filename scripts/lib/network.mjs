// A network of their own for the servers of a cluster, so that one can be cut off: a network namespace for each, with
// one cable to the applications and one to the other servers. Needs root and iproute2.
import { spawnSync } from 'node:child_process';
import { isAlive } from './mariadb.mjs';

/** Told apart by this machine's process, so that two runs do not meet. */
const mark = process.pid.toString(16);
const SERVICE = { bridge: `lims${mark}`, net: '10.213.7' };
const BETWEEN = { bridge: `limb${mark}`, net: '10.213.8' };

function ip(...args) {
  const done = spawnSync('ip', args, { encoding: 'utf8' });
  if (done.status !== 0) throw new Error(`ip ${args.join(' ')}: ${done.stderr || done.error}`);
}
const quietly = (...args) => spawnSync('ip', args, { stdio: 'ignore' });

/** Whether this machine lets us make one. */
export function canIsolate() {
  if (process.getuid?.() !== 0) return false;
  const name = `limnos-try-${mark}`;
  const made = quietly('netns', 'add', name).status === 0;
  quietly('netns', 'del', name);
  return made;
}

/** Networks of runs that were killed: they have our addresses, and nothing would be reached any more. */
function removeLeft() {
  const said = (...args) => spawnSync('ip', args, { encoding: 'utf8' }).stdout ?? '';
  for (const [, left] of said('-o', 'link', 'show', 'type', 'bridge').matchAll(
    /lims([0-9a-f]+)/g,
  )) {
    if (isAlive(Number.parseInt(left, 16), 'node')) continue;
    for (const [space] of said('netns', 'list').matchAll(new RegExp(`limnos-${left}-\\d+`, 'g')))
      quietly('netns', 'del', space);
    for (const bridge of [`lims${left}`, `limb${left}`]) quietly('link', 'del', bridge);
  }
}

/** `sides`: one a server: how to run there, its addresses, and what cuts it off and lets it in again. */
export function makeNetwork(count) {
  const spaces = Array.from({ length: count }, (_, i) => `limnos-${mark}-${i + 1}`);
  const remove = () => {
    for (const space of spaces) quietly('netns', 'del', space);
    for (const { bridge } of [SERVICE, BETWEEN]) quietly('link', 'del', bridge);
  };
  remove();
  removeLeft();
  for (const { bridge } of [SERVICE, BETWEEN]) {
    ip('link', 'add', bridge, 'type', 'bridge');
    ip('link', 'set', bridge, 'up');
  }
  ip('address', 'add', `${SERVICE.net}.254/24`, 'dev', SERVICE.bridge);
  const sides = spaces.map((space, i) => {
    ip('netns', 'add', space);
    const inside = (...args) => ip('-n', space, ...args);
    inside('link', 'set', 'lo', 'up');
    const cables = [SERVICE, BETWEEN].map(({ bridge, net }, cable) => {
      const [out, within] = [`v${mark}${i}${cable}`, `eth${cable}`];
      ip('link', 'add', out, 'type', 'veth', 'peer', 'name', within, 'netns', space);
      ip('link', 'set', out, 'master', bridge, 'up');
      inside('address', 'add', `${net}.${i + 1}/24`, 'dev', within);
      inside('link', 'set', within, 'up');
      return out;
    });
    const pull = (which, how) => {
      for (const cable of which) ip('link', 'set', cable, how);
    };
    return {
      prefix: ['ip', 'netns', 'exec', space],
      address: `${SERVICE.net}.${i + 1}`,
      between: `${BETWEEN.net}.${i + 1}`,
      /** From the other servers only: it still answers its application, and knows it is alone. */
      cutFromServers: () => pull([cables[1]], 'down'),
      /** From everything, as when a machine's cable is pulled. */
      cut: () => pull(cables, 'down'),
      heal: () => pull(cables, 'up'),
    };
  });
  return { sides, remove };
}
/** Without networks of their own: everything on loopback, nothing can be cut. */
export const loopback = (count) => ({
  sides: Array.from({ length: count }, () => ({
    prefix: [],
    address: '127.0.0.1',
    between: '127.0.0.1',
    cutFromServers: null,
    cut: null,
    heal: null,
  })),
  remove: () => undefined,
});
