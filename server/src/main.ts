import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { localToday } from './clock.ts';
import { contextOf } from './context.ts';
import { Door, SHORTEST_PASSPHRASE } from './door/door.ts';
import { sweep } from './history/keeping.ts';
import { Journal } from './history/journal.ts';
import { judgeAll } from './services/judging.ts';
import { collectionPath, isLoopback } from './place.ts';
import { openedOrWhy } from './start.ts';

const HOUR_MS = 60 * 60 * 1000;
/** Longer than anyone pauses between two taps. */
const KEEP_ALIVE_MS = 65_000;
/** Connections that are still open when it closes are given this long. */
const PATIENCE_MS = 5000;

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as {
  version: string;
};
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4180);
const logger = pino({ level: process.env.LOG_LEVEL ?? 'info' });

function stopAtStart(why: string): never {
  logger.fatal(why);
  process.exit(1);
}

const passphrase = process.env.FERNBANK_PASSPHRASE;
if (!isLoopback(host) && !passphrase) {
  stopAtStart(
    `HOST is ${host}, so other machines could reach your collection: set FERNBANK_PASSPHRASE ` +
      `(${SHORTEST_PASSPHRASE} characters or more), or leave HOST at 127.0.0.1.`,
  );
}

const path = collectionPath();
const opened = openedOrWhy(path, process.env.FERNBANK_RESTORE === 'newest');
if ('why' in opened) stopAtStart(opened.why);
const { file } = opened;
if (opened.restored) logger.warn(opened.restored);

const door = passphrase
  ? await Door.hang(file.db, passphrase).catch((error: Error) =>
      stopAtStart(`FERNBANK_PASSPHRASE: ${error.message}`),
    )
  : null;
const fixedToday = process.env.FERNBANK_TODAY;
const today = () => fixedToday ?? localToday();
const context = contextOf({ file, path, journal: new Journal(file), door, today, version });
context.copies.tidy();
const app = createApp(context, logger, join(root, 'web/dist'));
const { FERNBANK_CERT: cert, FERNBANK_KEY: key } = process.env;
const server =
  cert && key
    ? createSecureServer({ cert: readFileSync(cert), key: readFileSync(key) }, app)
    : createServer(app);

// A browser that comes back to a connection just as it is closed would be told that nobody is there.
server.keepAliveTimeout = KEEP_ALIVE_MS;
server.headersTimeout = KEEP_ALIVE_MS + 1000;

server.on('error', (error: NodeJS.ErrnoException) => {
  file.close();
  stopAtStart(
    error.code === 'EADDRINUSE'
      ? `port ${port} is taken; set PORT to another one`
      : `cannot listen: ${error.message}`,
  );
});

/** Once a day, and soon after a day that slept through: a sound copy, and an end to what is too old. */
function housekeeping(): void {
  context.copies.daily();
  if (context.copies.fault) logger.error(`no copy could be made: ${context.copies.fault}`);
  try {
    sweep(file, context.photoFolder, today());
  } catch (error) {
    logger.error({ err: error as Error }, 'what is too old could not be cleared away');
  }
}

server.listen(port, host, () => {
  logger.info(
    { collection: path },
    `Fernbank is open at ${cert ? 'https' : 'http'}://${host}:${port}`,
  );
  // The first keeper to ask should not wait for code that runs for the first time.
  setImmediate(() => {
    housekeeping();
    try {
      judgeAll(file.db, today());
    } catch (error) {
      logger.error({ err: error as Error }, 'the collection could not be judged ahead');
    }
  });
  setInterval(housekeeping, HOUR_MS).unref();
});

/** Lets requests in flight finish, then closes the file. */
function stop(signal: string): void {
  logger.info(`${signal}: closing`);
  server.close(() => {
    file.close();
    process.exit(0);
  });
  context.live.end();
  server.closeIdleConnections();
  setTimeout(() => process.exit(1), PATIENCE_MS).unref();
}

process.once('SIGINT', () => stop('SIGINT'));
process.once('SIGTERM', () => stop('SIGTERM'));
