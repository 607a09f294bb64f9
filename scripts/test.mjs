// npm test: sets up what is missing, then type check, lint, boundaries, format, Jest and Playwright.
// Ends with one line over all of them. A check that finds nothing to check fails.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM_PACKAGE } from './lib/chromium.mjs';
import { FOR_TESTS, install, startMariadb } from './lib/mariadb.mjs';
import { cleanEnv, needBuild, needModules, needPackages, ROOT } from './lib/prepare.mjs';
import { say } from './lib/say.mjs';

needPackages({
  mariadbd: 'mariadb-server',
  'mariadb-install-db': 'mariadb-server',
  ...CHROMIUM_PACKAGE,
  pdftotext: 'poppler-utils',
  certutil: 'libnss3-tools',
  ip: 'iproute2',
  nginx: 'nginx-light',
});
needModules();

// The check of types is TypeScript 7's; ESLint and the boundary check read files with TypeScript 6, the package `typescript`.
const TSC = join(ROOT, 'node_modules/typescript7/bin/tsc');
const bin = (name) => join(ROOT, 'node_modules/.bin', name);
let passed = 0;
let failed = 0;
const count = (name, ok, why = '') => {
  if (ok) passed += 1;
  else failed += 1;
  say(`${ok ? 'passed' : 'FAILED'}  ${name}${ok ? '' : `\n${why}`}`);
};
const run = (command, args) =>
  new Promise((resolve) => {
    const child = spawn(command, args, {
      cwd: ROOT,
      env: cleanEnv(),
      stdio: ['ignore', 'pipe', 'pipe'],
    });
    const out = { stdout: '', stderr: '' };
    for (const where of ['stdout', 'stderr'])
      child[where].setEncoding('utf8').on('data', (text) => {
        out[where] += text;
      });
    child.once('error', (e) => resolve({ ...out, status: -1, stderr: String(e) }));
    child.once('close', (status) => resolve({ ...out, status }));
  });
const parsed = (text) => {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
};
const PROJECTS = ['core', 'contracts', 'server', 'web', 'tests'];
/** The files of a project that was checked, as TypeScript itself noted them; none is a failure. */
function filesChecked(project) {
  const { fileNames = [] } =
    parsed(readFileSync(join(ROOT, `.data/types/${project}.tsbuildinfo`), 'utf8')) ?? {};
  return fileNames.filter((f) => !f.includes('node_modules')).length;
}
async function types() {
  const check = await run(TSC, ['-b']);
  const found = check.status === 0 ? PROJECTS.map(filesChecked) : [];
  count(
    `types: ${PROJECTS.map((name, i) => `${name} ${found[i] ?? 0} files`).join(', ')}`,
    found.length > 0 && found.every((n) => n > 5),
    check.stdout || check.stderr || 'no files to check',
  );
}
async function typesOfScripts() {
  const check = await run(TSC, ['-p', 'tsconfig.scripts.json', '--listFiles']);
  const lines = check.stdout.split('\n');
  const own = lines.filter((f) => f.startsWith(join(ROOT, 'scripts'))).length;
  count(
    `types of scripts: ${own} files`,
    own > 5 && check.status === 0,
    lines.filter((l) => !l.startsWith('/')).join('\n') || 'no files to check',
  );
}
async function lint() {
  const lint = await run(bin('eslint'), ['.', '--format', 'json']);
  const linted = parsed(lint.stdout) ?? [];
  const faults = linted.flatMap((f) =>
    f.messages.map((m) => `${f.filePath.slice(ROOT.length + 1)}:${m.line} ${m.message}`),
  );
  count(
    `lint: ${linted.length} files`,
    linted.length > 100 && lint.status === 0,
    faults.join('\n') || lint.stderr || 'no files to lint',
  );
}
/** What needs types: a promise that nobody waits for, a switch that forgets a case. */
async function lintWithTypes() {
  const lint = await run(bin('oxlint'), ['--type-aware', '--format', 'json', 'src', 'test', 'e2e']);
  const found = parsed(lint.stdout);
  const files = found?.number_of_files ?? 0;
  count(
    `lint with types: ${files} files`,
    files > 100 && lint.status === 0,
    found?.diagnostics
      ?.map((d) => `${d.filename}:${d.labels?.[0]?.span?.line} ${d.message}`)
      .join('\n') ||
      lint.stderr ||
      'no files to lint',
  );
}
async function boundaries() {
  const cruise = await run(bin('depcruise'), [
    '--config',
    '.dependency-cruiser.cjs',
    '-T',
    'json',
    'src',
  ]);
  const summary = parsed(cruise.stdout)?.summary ?? null;
  count(
    `boundaries: ${summary?.totalCruised ?? 0} modules`,
    summary !== null && summary.totalCruised > 100 && summary.error === 0,
    summary
      ? summary.violations.map((v) => `${v.rule.name}: ${v.from} to ${v.to}`).join('\n') ||
          'nothing to check'
      : cruise.stderr,
  );
}
async function format() {
  const check = await run(bin('prettier'), ['--check', '.']);
  count('format', check.status === 0, check.stderr || check.stdout);
}
// Two lanes take what is next, the longest first: most machines have two processors.
const checks = [types, lint, format, lintWithTypes, boundaries, typesOfScripts];
const lane = async () => {
  for (let next = checks.shift(); next; next = checks.shift()) await next();
};
await Promise.all([lane(), lane()]);

needBuild();
const folder = mkdtempSync(join(tmpdir(), 'limnos-test-'));
// Tests start dozens of private database servers: each copies this folder, which takes a tenth of making one.
process.env.LIMNOS_MADE_DATABASE = install(join(folder, 'made'));
const database = await startMariadb(folder, ['limnos_test'], { extra: FOR_TESTS });
let over = false;
async function clean() {
  if (over) return;
  over = true;
  await database.stop();
  rmSync(folder, { recursive: true, force: true });
}
for (const signal of ['SIGINT', 'SIGTERM'])
  process.on(signal, () => clean().then(() => process.exit(1)));

/** Runs a test runner with its output shown; resolves when it ends. */
const show = (command, args, env) =>
  new Promise((resolve) => {
    spawn(command, args, {
      cwd: ROOT,
      env: cleanEnv({ LIMNOS_TEST_DATABASE: database.url('limnos_test'), ...env }),
      stdio: ['ignore', 'inherit', 'inherit'],
    }).once('exit', (code) => resolve(code));
  });
/** Adds a runner's own counts; a runner that ran nothing, or ended badly without a failed test, is a failure. */
function add(name, ok, bad, code) {
  passed += ok;
  failed += bad;
  if (ok + bad === 0) count(`${name} ran no test`, false);
  else if (code !== 0 && bad === 0) count(`${name} ended with ${code}`, false);
  else say(`${name}: ${ok} passed, ${bad} failed`);
}

const jestOut = join(folder, 'jest.json');
const jestCode = await show(process.execPath, [
  '--experimental-vm-modules',
  '--no-warnings',
  join(ROOT, 'node_modules/jest/bin/jest.js'),
  '--silent',
  '--reporters=default',
  '--json',
  `--outputFile=${jestOut}`,
]);
const jest = (() => {
  try {
    return JSON.parse(readFileSync(jestOut, 'utf8'));
  } catch {
    return { numPassedTests: 0, numFailedTests: 0, numRuntimeErrorTestSuites: 1 };
  }
})();
add('Jest', jest.numPassedTests, jest.numFailedTests + jest.numRuntimeErrorTestSuites, jestCode);

// `--jest`: without a browser, as `npm run test:dates -- jest` asks for.
const withBrowser = !process.argv.includes('--jest');
const playOut = join(folder, 'playwright.json');
const playCode = !withBrowser
  ? 0
  : await show(bin('playwright'), ['test', '--reporter=list,json'], {
      PLAYWRIGHT_JSON_OUTPUT_NAME: playOut,
    });
const play = (() => {
  try {
    return JSON.parse(readFileSync(playOut, 'utf8')).stats;
  } catch {
    return { expected: 0, unexpected: 1, flaky: 0 };
  }
})();
if (withBrowser) add('Playwright', play.expected, play.unexpected + play.flaky, playCode);

await clean();
say(`\n${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
