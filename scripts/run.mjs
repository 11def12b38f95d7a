import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * Every command of the project does its own set-up: packages when the lock
 * file changed, the interface when its sources changed, a browser for the
 * tests where Debian's can be installed.
 */
const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const scratch = join(root, '.run');
process.chdir(root);
mkdirSync(scratch, { recursive: true });

function run(command, args, environment = {}) {
  const { status, error } = spawnSync(command, args, {
    stdio: 'inherit',
    env: { ...process.env, ...environment },
    shell: process.platform === 'win32',
  });
  if (error) console.error(error.message);
  return status ?? 1;
}
function must(command, args, environment) {
  const status = run(command, args, environment);
  if (status !== 0) process.exit(status);
}
const bin = (name) => join(root, 'node_modules/.bin', name);

function installPackages() {
  const stamp = join(root, 'node_modules/.fernbank-lock');
  const lock = createHash('sha256').update(readFileSync('package-lock.json')).digest('hex');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === lock) return;
  console.log('Installing packages…');
  must('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  writeFileSync(stamp, lock);
}

/** Newest change below some folders, ms. */
function newest(paths) {
  let latest = 0;
  for (const path of paths) {
    const { mtimeMs } = statSync(path);
    latest = Math.max(
      latest,
      statSync(path).isDirectory()
        ? newest(readdirSync(path).map((name) => join(path, name)))
        : mtimeMs,
    );
  }
  return latest;
}

function buildInterface() {
  const built = join(root, 'web/dist/index.html');
  const sources = ['core/src', 'web/src', 'web/public', 'web/index.html', 'web/vite.config.ts'];
  if (existsSync(built) && statSync(built).mtimeMs > newest([...sources, 'package-lock.json'])) {
    return;
  }
  console.log('Building the interface…');
  must(bin('vite'), ['build', 'web', '--logLevel', 'warn']);
}

function makeDemo(path, today) {
  must(bin('tsx'), ['demo/make.ts', path], today ? { FERNBANK_TODAY: today } : {});
}

/** Serves until it is stopped; the server closes its file on SIGINT and SIGTERM itself. */
function serve(environment) {
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    stdio: 'inherit',
    env: { ...process.env, ...environment },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
}

const CHROMIUM = ['/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];
function ensureBrowser() {
  const wanted = process.env.FERNBANK_CHROMIUM;
  const found = [wanted, ...CHROMIUM].find((path) => path && existsSync(path));
  if (found) return found;
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Chromium for the browser tests…');
    run('apt-get', ['update', '-qq']);
    must('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium']);
    return CHROMIUM[0];
  }
  console.error(
    'The browser tests need Chromium: install it (on Debian: apt-get install chromium) ' +
      'or name one with FERNBANK_CHROMIUM.',
  );
  process.exit(1);
}

function browserTests(extra = []) {
  const chromium = ensureBrowser();
  buildInterface();
  return run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', ...extra], {
    FERNBANK_CHROMIUM: chromium,
  });
}

/** Runs every check, then closes with one plain line of counts. */
function test() {
  const unitReport = join(scratch, 'unit.json');
  const browserReport = join(scratch, 'browser.json');
  for (const report of [unitReport, browserReport]) rmSync(report, { force: true });
  const checks = [
    ['types', () => run('npm', ['run', '--silent', 'typecheck'])],
    ['lint', () => run('npm', ['run', '--silent', 'lint'])],
    [
      'unit',
      () =>
        run(bin('vitest'), [
          'run',
          '--reporter=dot',
          '--reporter=json',
          `--outputFile.json=${unitReport}`,
        ]),
    ],
    ['browser', () => browserTests()],
  ];
  const failedChecks = checks.filter(([name, check]) => {
    console.log(`\n— ${name}`);
    return check() !== 0;
  });
  const unit = existsSync(unitReport) ? JSON.parse(readFileSync(unitReport, 'utf8')) : null;
  const browser = existsSync(browserReport)
    ? JSON.parse(readFileSync(browserReport, 'utf8')).stats
    : null;
  const passed = (unit?.numPassedTests ?? 0) + (browser?.expected ?? 0) + (browser?.flaky ?? 0);
  const failedTests = (unit?.numFailedTests ?? 0) + (browser?.unexpected ?? 0);
  // A check that fails without a failed test of its own (types, lint, a crash) counts as one.
  const failed = Math.max(failedTests, failedChecks.length);
  if (failedChecks.length > 0) console.log(`failed: ${failedChecks.map(([n]) => n).join(', ')}`);
  console.log(`${passed} passed, ${failed} failed`);
  process.exit(failed === 0 && passed > 0 ? 0 : 1);
}

const commands = {
  start() {
    buildInterface();
    serve({ NODE_ENV: 'production' });
  },
  demo() {
    buildInterface();
    const path = join(scratch, 'demo.sqlite');
    makeDemo(path);
    serve({ FERNBANK_DB: path, NODE_ENV: 'production' });
  },
  test,
  e2e: () => process.exit(browserTests(process.argv.slice(3))),
  bench() {
    ensureBrowser();
    buildInterface();
    must(bin('tsx'), ['bench/main.ts']);
  },
  faults() {
    buildInterface();
    must(bin('tsx'), ['e2e/faults/main.ts', ...process.argv.slice(3)]);
  },
  load() {
    must(bin('tsx'), ['bench/load.ts', ...process.argv.slice(3)]);
  },
  screenshots() {
    const chromium = ensureBrowser();
    buildInterface();
    must(bin('tsx'), ['scripts/screenshots.ts'], { FERNBANK_CHROMIUM: chromium });
  },
  dev() {
    const path = join(scratch, 'demo.sqlite');
    if (!existsSync(path)) makeDemo(path);
    must(bin('concurrently'), [
      '-k',
      `FERNBANK_DB=${path} tsx watch server/src/main.ts`,
      'vite web',
    ]);
  },
};

const command = commands[process.argv[2]];
if (!command) {
  console.error(`known commands: ${Object.keys(commands).join(', ')}`);
  process.exit(2);
}
installPackages();
command();
