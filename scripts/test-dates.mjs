// npm run test:dates: takes the tests through dates and zones at which clocks do odd things. Each runs the whole of
// `npm test` with the tests' own clock and zone set. About eight minutes each; `-- 3` runs the third alone,
// `-- jest` the tests that need no browser at all of them.
import { spawnSync } from 'node:child_process';
import { needModules, ROOT } from './lib/prepare.mjs';
import { say } from './lib/say.mjs';

needModules();
const RUNS = [
  { name: 'ten to midnight', instant: '2026-06-17T18:20:00Z', zone: 'Asia/Kolkata' },
  {
    name: 'the night the clocks go forward',
    instant: '2026-03-29T00:50:00Z',
    zone: 'Europe/Berlin',
  },
  { name: 'the night the clocks go back', instant: '2026-10-25T00:50:00Z', zone: 'Europe/Berlin' },
  {
    name: 'the clocks go forward, half an hour off',
    instant: '2026-03-08T05:20:00Z',
    zone: 'America/St_Johns',
  },
  { name: '29 February', instant: '2028-02-29T12:00:00Z', zone: 'Europe/London' },
  {
    name: 'ten to midnight on 31 December, a day ahead',
    instant: '2026-12-31T10:50:00Z',
    zone: 'Pacific/Auckland',
  },
  { name: 'just after New Year', instant: '2027-01-01T00:05:00Z', zone: 'UTC' },
  { name: 'a Sunday morning', instant: '2026-08-09T13:10:00Z', zone: 'America/New_York' },
];
const asked = process.argv.slice(2);
const only = asked.map(Number).filter((n) => n >= 1 && n <= RUNS.length);
const args = asked.includes('jest') ? ['scripts/test.mjs', '--jest'] : ['scripts/test.mjs'];
let failed = 0;
const lines = [];
for (const [i, { name, instant, zone }] of RUNS.entries()) {
  if (only.length > 0 && !only.includes(i + 1)) continue;
  say(`\n${i + 1}. ${name}: ${instant}, ${zone}`);
  const env = { ...process.env, LIMNOS_TEST_INSTANT: instant, LIMNOS_TEST_ZONE: zone, TZ: zone };
  const done = spawnSync(process.execPath, args, {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'pipe', 'inherit'],
    encoding: 'utf8',
    maxBuffer: 1e9,
  });
  const counts =
    /(\d+ passed, \d+ failed)\s*$/.exec(done.stdout.trim())?.[1] ?? 'ended without counts';
  if (done.status !== 0) {
    failed += 1;
    say(
      done.stdout
        .split('\n')
        .filter((l) => /✘|FAILED|●|failed/.test(l))
        .slice(0, 40)
        .join('\n'),
    );
  }
  lines.push(`${done.status === 0 ? 'passed' : 'FAILED'}  ${name}, ${instant}, ${zone}: ${counts}`);
  say(lines.at(-1));
}
say(`\n${lines.join('\n')}`);
say(`\n${lines.length - failed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
