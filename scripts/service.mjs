// npm run service: the house starts with the machine (systemd), as a user of its own, with its data in /var/lib/limnos.
//   --print    the unit, and nothing is done
//   --remove   stops it and takes the unit away; the data stays
import { spawnSync } from 'node:child_process';
import { existsSync, rmSync, writeFileSync } from 'node:fs';
import { needBuild, needModules, needPackages, ROOT } from './lib/prepare.mjs';
import { giveUp, say } from './lib/say.mjs';
import { unitText } from './lib/unit.mjs';

const USER = 'limnos';
const DATA = '/var/lib/limnos';
const UNIT = '/etc/systemd/system/limnos.service';
const text = unitText({ node: process.execPath, root: ROOT, data: DATA, user: USER });
const flags = new Set(process.argv.slice(2));
if (flags.has('--print')) {
  say(text);
  process.exit(0);
}
for (const f of flags) if (f !== '--remove') giveUp(`${f} is not known here: --print or --remove.`);
if (!existsSync('/run/systemd/system'))
  giveUp('This machine has no systemd. npm run service -- --print shows what it would be given.');
if (process.getuid?.() !== 0) giveUp('Please run this as root: sudo npm run service');

function must(command, ...args) {
  const done = spawnSync(command, args, { encoding: 'utf8' });
  if (done.status !== 0) giveUp(`${command} ${args.join(' ')} did not work: ${done.stderr}`);
}
if (flags.has('--remove')) {
  must('systemctl', 'disable', '--now', 'limnos');
  rmSync(UNIT, { force: true });
  must('systemctl', 'daemon-reload');
  say(`Limnos is stopped and does not start with the machine. The data stays in ${DATA}.`);
  process.exit(0);
}
needPackages({ mariadbd: 'mariadb-server', 'mariadb-install-db': 'mariadb-server' });
needModules();
needBuild();
if (spawnSync('id', [USER]).status !== 0)
  must('useradd', '--system', '--home-dir', DATA, '--shell', '/usr/sbin/nologin', USER);
if (spawnSync('runuser', ['-u', USER, '--', 'test', '-r', `${ROOT}/package.json`]).status !== 0)
  giveUp(
    `The user ${USER} cannot read ${ROOT}. Move the program to a folder that can be read, such as /opt/limnos.`,
  );
writeFileSync(UNIT, text);
must('systemctl', 'daemon-reload');
must('systemctl', 'enable', 'limnos');
must('systemctl', 'restart', 'limnos');
say(
  'Limnos runs, and starts with the machine. Open http://127.0.0.1:8137. The data is in /var/lib/limnos.',
);
say(
  'The first page asks for a word. This command shows the word: journalctl -u limnos | grep word',
);
say('After an update of the program, run sudo npm run service again.');
