import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import type { AddressInfo } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';
import { createApp } from './app.ts';
import { localToday } from './clock.ts';
import { contextOf } from './context.ts';
import { keeperApart } from './copies/keeper.ts';
import type { Demo } from './demo.ts';
import { Door, SHORTEST_PASSPHRASE } from './door/door.ts';
import { greeting } from './greeting.ts';
import { sweep } from './history/keeping.ts';
import { Journal } from './history/journal.ts';
import { patient } from './http/patience.ts';
import { importerApart } from './importing/importer.ts';
import { logBeside, openLog } from './logging.ts';
import { Phones } from './phones/phones.ts';
import { hostsOf, isLoopback } from './place.ts';
import { ReaderApart } from './reader/reader.ts';
import { INTERFACE, threadOf, VERSION } from './shipped.ts';
import { openedOrWhy } from './start.ts';
import { learnFromRecord } from './track/learn.ts';
import { Thread } from './threads/thread.ts';

const HOUR_MS = 60 * 60 * 1000;
/** Time for the browser that was waiting. */
const AHEAD_MS = 150;
/** By then the first page stands. */
const SETTLED_MS = 4000;
/** A sum that takes longer is given up. */
const LONGEST_SUM_MS = 10_000;
/** Connections that are still open when it closes are given this long. */
const PATIENCE_MS = 5000;

/** What it cannot begin without: told to the person, and that is all. */
function stopAtStart(why: string): never {
  console.error(why);
  process.exit(1);
}

/**
 * Opens a collection to browsers until it is stopped. What can be set is in the environment:
 * HOST, PORT (0: any that is free), FERNBANK_PASSPHRASE, FERNBANK_CERT and FERNBANK_KEY,
 * FERNBANK_PHONE_PORT, FERNBANK_ADDRESS, FERNBANK_RESTORE, FERNBANK_LOG, LOG_LEVEL.
 *
 * @param path  of its SQLite file
 */
export async function serve(
  path: string,
  { demo = null }: { demo?: Demo | null } = {},
): Promise<void> {
  // Whatever is written belongs to the keeper alone.
  process.umask(0o077);
  const { FERNBANK_PASSPHRASE: passphrase, FERNBANK_CERT: cert, FERNBANK_KEY: key } = process.env;
  const host = process.env.HOST ?? '127.0.0.1';
  const port = Number(process.env.PORT ?? 4180);
  if (!isLoopback(host) && !passphrase) {
    stopAtStart(
      `HOST is ${host}, so other machines could reach your collection: set FERNBANK_PASSPHRASE ` +
        `(${SHORTEST_PASSPHRASE} characters or more), or leave HOST at 127.0.0.1.`,
    );
  }
  const opened = openedOrWhy(path, process.env.FERNBANK_RESTORE || undefined);
  if ('why' in opened) stopAtStart(opened.why);
  const { file } = opened;
  if (opened.restored) console.error(opened.restored);

  const log = process.env.FERNBANK_LOG ?? logBeside(path);
  const logger = openLog(log, process.env.LOG_LEVEL ?? 'info', ({ message }) =>
    console.error(`the log ${log} cannot be written: ${message}`),
  );
  if (opened.restored) logger.warn(opened.restored);
  const door = passphrase
    ? await Door.hang(file.db, passphrase).catch((error: Error) =>
        stopAtStart(`FERNBANK_PASSPHRASE: ${error.message}`),
      )
    : null;
  const fixedToday = process.env.FERNBANK_TODAY;
  const today = () => demo?.day ?? fixedToday ?? localToday();
  const reader = new ReaderApart(file, path, threadOf('reader.js', 'reader/worker.ts'));
  const journal = new Journal(file);
  const importer = importerApart(
    journal,
    path,
    threadOf('importer.js', 'importing/importerThread.ts'),
  );
  const keeper = keeperApart(threadOf('keeper.js', 'copies/keeperThread.ts'));
  const sums = new Thread(threadOf('sums.js', 'threads/sums.ts'), null, {
    budgetMs: LONGEST_SUM_MS,
    letGo: true,
  });
  const named = process.env.FERNBANK_ADDRESS;
  const phones = new Phones({
    path,
    port: Number(process.env.FERNBANK_PHONE_PORT ?? (port === 0 ? 0 : port + 1)),
    hosts: () =>
      named
        ? named.split(',').map((each) => each.trim())
        : hostsOf(networkInterfaces(), hostname()),
  });
  const context = contextOf({
    file,
    path,
    reader,
    sums,
    keeper,
    importer,
    journal,
    door,
    phones,
    today,
    version: VERSION,
    demo,
  });
  context.copies.tidy();
  const app = createApp(context, logger, INTERFACE);
  await phones.begin(app);
  if (phones.now.fault) logger.error(`phones cannot come in: ${phones.now.fault}`);
  const secure = Boolean(cert && key);
  const server = secure
    ? createSecureServer({ cert: readFileSync(cert!), key: readFileSync(key!) }, app)
    : createServer(app);
  patient(server);

  server.on('error', (error: NodeJS.ErrnoException) => {
    file.close();
    stopAtStart(
      error.code === 'EADDRINUSE'
        ? `port ${port} is taken; set PORT to another one`
        : `cannot listen: ${error.message}`,
    );
  });

  /** Once a day, and soon after a day that slept through: a sound copy, and an end to what is too old. */
  async function housekeeping(): Promise<void> {
    const { copies, photoFolder } = context;
    await copies.daily();
    await phones.renew().catch((error: Error) => logger.error({ err: error }, 'phones'));
    if (copies.fault) logger.error(`no copy could be made: ${copies.fault}`);
    try {
      // While a collection is being brought in, its pictures are nobody's yet.
      sweep(file, copies.working ? null : photoFolder, today());
    } catch (error) {
      logger.error({ err: error as Error }, 'what is too old could not be cleared away');
    }
  }

  /** What was found corrects what is said, once a month; before the collection is judged by it. */
  async function learn(): Promise<void> {
    try {
      await learnFromRecord(journal, reader, today());
    } catch (error) {
      logger.error({ err: error as Error }, 'nothing could be learned from the record');
    }
  }

  /** Judges bit by bit what is not judged yet today: who asks meanwhile is answered between. */
  async function judgeAhead(): Promise<void> {
    try {
      while ((await reader.ask('ahead', { date: today() })) > 0);
    } catch (error) {
      logger.error({ err: error as Error }, 'the collection could not be judged ahead');
    }
  }

  server.listen(port, host, () => {
    const told = {
      version: VERSION,
      secure,
      host,
      port: (server.address() as AddressInfo).port,
      collection: path,
      log,
      demo: demo !== null,
    };
    console.log(greeting(told, networkInterfaces()));
    logger.info(told, 'open');
    // The first keeper to ask should not wait for code that runs for the first time; who asks at once is answered first.
    setTimeout(() => void judgeAhead(), AHEAD_MS).unref();
    setTimeout(() => void housekeeping().then(learn), SETTLED_MS).unref();
    setInterval(() => void housekeeping().then(learn).then(judgeAhead), HOUR_MS).unref();
  });

  /** Lets requests in flight finish, then closes the file. */
  function stop(why: string, code = 0): void {
    logger.info(`${why}: closing`);
    phones.stop();
    server.close(() => {
      void Promise.all([reader, sums, keeper, importer].map((thread) => thread.end())).then(() => {
        file.close();
        process.exit(code);
      });
    });
    context.live.end();
    // What takes long is not waited for.
    void sums.end();
    // A connection is idle once its last answer is out.
    setInterval(() => server.closeIdleConnections(), 50).unref();
    setTimeout(() => process.exit(1), PATIENCE_MS).unref();
  }
  process.once('SIGINT', () => stop('SIGINT'));
  process.once('SIGTERM', () => stop('SIGTERM'));
  // The last resort: what nobody caught is written down, and the file is closed in order.
  for (const event of ['uncaughtException', 'unhandledRejection'] as const) {
    process.once(event, (error: unknown) => {
      logger.fatal({ err: error as Error }, 'unexpected; closing');
      console.error('Fernbank met a fault that it did not expect, and closes. The log says more.');
      stop(event, 1);
    });
  }
}
