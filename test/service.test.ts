import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';

const unit = () => {
  const done = spawnSync(process.execPath, ['scripts/service.mjs', '--print'], {
    encoding: 'utf8',
  });
  expect(done.status).toBe(0);
  return done.stdout;
};
const settings = () =>
  Object.fromEntries(
    unit()
      .split('\n')
      .filter((l) => l.includes('='))
      .map((l) => [l.slice(0, l.indexOf('=')), l.slice(l.indexOf('=') + 1)]),
  );

test('the unit starts what is there, as a user of its own, again whenever it ends, and stops it through the start command', () => {
  const s = settings();
  const [node = '', script = '', flag] = (s.ExecStart ?? '').split(' ');
  expect([existsSync(node), existsSync(script), flag]).toEqual([true, true, '--empty']);
  expect(s).toMatchObject({
    User: 'limnos',
    Restart: 'always',
    KillMode: 'mixed',
    ProtectSystem: 'strict',
    StateDirectory: 'limnos',
    WantedBy: 'multi-user.target',
  });
  expect(unit()).toContain('Environment=LIMNOS_DATA=/var/lib/limnos');
});
test('an unknown flag changes nothing', () => {
  const done = spawnSync(process.execPath, ['scripts/service.mjs', '--now'], { encoding: 'utf8' });
  expect([done.status, done.stderr]).toEqual([
    1,
    '--now is not known here: --print or --remove.\n',
  ]);
});
