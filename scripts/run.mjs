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
import { availableParallelism } from 'node:os';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';

/**
 * Every command of the project does its own set-up: packages when the lock
 * file changed, server and interface when their sources changed, a browser for
 * the tests where Debian's can be installed.
 */
const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const scratch = join(root, '.run');
process.chdir(root);
mkdirSync(scratch, { recursive: true });

const environmentWith = (more) => ({
  env: { ...process.env, ...more },
  shell: process.platform === 'win32',
});
function run(command, args, environment = {}) {
  const { status, error } = spawnSync(command, args, {
    stdio: 'inherit',
    ...environmentWith(environment),
  });
  if (error) console.error(error.message);
  return status ?? 1;
}
function must(command, args, environment) {
  const status = run(command, args, environment);
  if (status !== 0) process.exit(status);
}
/** Runs beside others: what it writes is shown once it has ended. */
function beside(command, args) {
  return new Promise((ended) => {
    const child = spawn(command, args, environmentWith({}));
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (part) => (said += part));
    child.on('error', (error) => ended({ status: 1, said: error.message }));
    child.on('close', (status) => ended({ status: status ?? 1, said }));
  });
}
const bin = (name) => join(root, 'node_modules/.bin', name);
/** Node needs help to read TypeScript. */
const READ_TYPES = ['--import', '@swc-node/register/esm-register'];
const sources = (args, environment) =>
  must(process.execPath, [...READ_TYPES, ...args], environment);

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
function buildOnce(folder, made, sources) {
  const fresh = existsSync(made) && statSync(made).mtimeMs > newest(sources);
  if (!fresh) must(bin('vite'), ['build', folder, '--logLevel', 'warn']);
}
function build() {
  const shared = ['core/src', 'package-lock.json', 'package.json'];
  const interfaceSources = ['web/src', 'web/public', 'web/index.html', 'web/vite.config.ts'];
  buildOnce('web', 'web/dist/index.html', [...shared, ...interfaceSources]);
  const serverSources = ['server/src', 'server/vite.config.ts', 'demo'];
  buildOnce('server', PROGRAM, [...shared, ...serverSources]);
}
const PROGRAM = 'server/dist/fernbank.js';

/** Serves until it is stopped; the server closes its file on SIGINT and SIGTERM itself. */
function serve(args, environment = {}) {
  const child = spawn(process.execPath, [PROGRAM, ...args], {
    stdio: 'inherit',
    env: { ...process.env, ...environment },
  });
  for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
}

/** The one without a window of its own comes first: it is twice as quick. */
const CHROMIUM = [
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
];
function ensureBrowser() {
  const wanted = process.env.FERNBANK_CHROMIUM;
  const there = [wanted, ...CHROMIUM].find((path) => path && existsSync(path));
  if (there && (there === wanted || there === CHROMIUM[0])) return there;
  if (process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')) {
    console.log('Installing Chromium for the browser tests…');
    run('apt-get', ['update', '-qq']);
    const install = ['install', '-y', '-qq', '--no-install-recommends'];
    for (const name of ['chromium-headless-shell', 'chromium']) {
      if (run('apt-get', [...install, name]) === 0) return `/usr/bin/${name}`;
    }
  }
  if (there) return there;
  console.error(
    'The browser tests need Chromium: install it (on Debian: apt-get install chromium) ' +
      'or name one with FERNBANK_CHROMIUM.',
  );
  process.exit(1);
}

function browserTests(extra = []) {
  const chromium = ensureBrowser();
  build();
  return run(bin('playwright'), ['test', '-c', 'e2e/playwright.config.ts', ...extra], {
    FERNBANK_CHROMIUM: chromium,
  });
}

/**
 * What reads the sources without running them, the longest first; each remembers what it found sound.
 * What the browser tests need is made where a processor would wait for the others.
 */
const READERS = [
  [
    'vue-tsc',
    '-p',
    'tsconfig.json',
    '--incremental',
    '--tsBuildInfoFile',
    '.run/types.tsbuildinfo',
  ],
  ['eslint', '.', '--cache', '--cache-location', '.run/eslint'],
  [
    'prettier',
    '--check',
    '.',
    '--log-level',
    'warn',
    '--cache',
    '--cache-location',
    '.run/prettier',
  ],
  ['knip'],
  ['build'],
];
/** @returns the names of those that found something */
async function readSources() {
  const waiting = [...READERS];
  const found = [];
  const worker = async () => {
    for (let next = waiting.shift(); next; next = waiting.shift()) {
      const [name, ...args] = next;
      const { status, said } =
        name === 'build'
          ? await beside(process.execPath, [fileURLToPath(import.meta.url), name])
          : await beside(bin(name), args);
      if (status === 0) continue;
      found.push(name);
      console.log(said.trim());
    }
  };
  await Promise.all(Array.from({ length: availableParallelism() }, worker));
  return found;
}

const SLOWEST = 10;
const seconds = (ms) => `${(ms / 1000).toFixed(1)} s`;
/** The tests of a report of the browser, of all its suites. */
const specsOf = (browser) => {
  const within = ({ specs = [], suites = [] }) => [...specs, ...suites.flatMap(within)];
  return within(browser ?? {});
};
/** Files of tests by the time they took, ms. */
function slowestFiles(unit, browser) {
  const files = new Map();
  const add = (file, ms) => files.set(file, (files.get(file) ?? 0) + ms);
  for (const { name, startTime, endTime } of unit?.testResults ?? []) {
    add(relative(root, name), endTime - startTime);
  }
  for (const { file, tests } of specsOf(browser)) {
    for (const { results } of tests) {
      for (const { duration } of results) add(`e2e/${file}`, duration);
    }
  }
  return [...files].sort((a, b) => b[1] - a[1]).slice(0, SLOWEST);
}

/** Runs every check, then closes with one plain line of counts. */
async function test() {
  const unitReport = join(scratch, 'unit.json');
  const browserReport = join(scratch, 'browser.json');
  for (const report of [unitReport, browserReport]) rmSync(report, { force: true });
  const read = (path) => (existsSync(path) ? JSON.parse(readFileSync(path, 'utf8')) : null);
  const failed = [];
  const took = [];
  const check = async (name, run) => {
    console.log(`\n— ${name}`);
    const began = Date.now();
    failed.push(...(await run()));
    took.push(`${name} ${seconds(Date.now() - began)}`);
  };
  const whether = (name, status) => (status === 0 ? [] : [name]);
  await check('sources', readSources);
  await check('unit', () =>
    whether(
      'unit',
      run(bin('vitest'), [
        'run',
        '--reporter=dot',
        '--reporter=json',
        `--outputFile.json=${unitReport}`,
      ]),
    ),
  );
  await check('browser', () => whether('browser', browserTests()));
  const unit = read(unitReport);
  const browser = read(browserReport);
  console.log('\nslowest files');
  for (const [file, ms] of slowestFiles(unit, browser))
    console.log(`${seconds(ms).padStart(8)} ${file}`);
  const again = specsOf(browser).filter(({ tests }) =>
    tests.some(({ status }) => status === 'flaky'),
  );
  for (const { file, title } of again)
    console.log(`passed only when asked again: ${file} ${title}`);
  console.log(`\n${took.join(', ')}`);
  const { expected = 0, flaky = 0, unexpected = 0 } = browser?.stats ?? {};
  const passed = (unit?.numPassedTests ?? 0) + expected + flaky;
  // A check that fails without a failed test of its own (types, lint, a crash) counts as one.
  const faults = Math.max((unit?.numFailedTests ?? 0) + unexpected, failed.length);
  if (failed.length > 0) console.log(`failed: ${failed.join(', ')}`);
  console.log(`${passed} passed, ${faults} failed`);
  process.exit(faults === 0 && passed > 0 ? 0 : 1);
}

const commands = {
  start() {
    build();
    serve([]);
  },
  demo() {
    build();
    serve(['demo', join(scratch, 'demo.sqlite')]);
  },
  build,
  test,
  e2e: () => process.exit(browserTests(process.argv.slice(3))),
  bench() {
    const FERNBANK_CHROMIUM = ensureBrowser();
    build();
    sources(['bench/main.ts', ...process.argv.slice(3)], { FERNBANK_CHROMIUM });
  },
  faults() {
    build();
    sources(['e2e/faults/main.ts', ...process.argv.slice(3)]);
  },
  load() {
    build();
    sources(['bench/load.ts', ...process.argv.slice(3)]);
    sources(['bench/house.ts', ...process.argv.slice(3)]);
  },
  plausible: () => sources(['scripts/plausible.ts', ...process.argv.slice(3)]),
  answers() {
    sources(['scripts/answers.ts']);
  },
  zones() {
    sources(['scripts/zones.ts', ...process.argv.slice(3)]);
    must(bin('prettier'), ['--write', '--log-level', 'warn', 'core/src/asking/zones.ts']);
  },
  dictionary() {
    sources(['scripts/dictionary.ts']);
    must(bin('prettier'), ['--write', '--log-level', 'warn', 'docs/data.md']);
  },
  trials() {
    sources(['scripts/trials.ts', ...process.argv.slice(3)]);
    must(bin('prettier'), ['--write', '--log-level', 'warn', 'docs/models.md']);
  },
  screenshots() {
    const chromium = ensureBrowser();
    build();
    sources(['scripts/screenshots.ts'], { FERNBANK_CHROMIUM: chromium });
  },
  pictures: () => sources(['scripts/pictures.ts'], { FERNBANK_CHROMIUM: ensureBrowser() }),
  dev() {
    const path = join(scratch, 'demo.sqlite');
    if (!existsSync(path)) sources(['server/src/fernbank.ts', 'make-demo', path]);
    must(bin('concurrently'), [
      '-k',
      `FERNBANK_DB=${path} FERNBANK_LOG=pretty node --watch ${READ_TYPES.join(' ')} server/src/fernbank.ts`,
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
await command();
