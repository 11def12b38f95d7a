import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { pino } from 'pino';
import { createApp } from './app.ts';
import { localToday } from './clock.ts';
import { openCollection } from './db/open.ts';
import { Journal } from './history/journal.ts';
import { judgeAll } from './services/judging.ts';
import { collectionPath, isLoopback, photoFolderOf } from './place.ts';

const root = join(dirname(fileURLToPath(import.meta.url)), '../..');
const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as {
  version: string;
};
const host = process.env.HOST ?? '127.0.0.1';
const port = Number(process.env.PORT ?? 4180);
const logger = pino({ level: process.env.LOG_LEVEL ?? 'info' });

if (!isLoopback(host)) {
  logger.fatal(
    `HOST is ${host}: serving other machines needs sign-in, which this version does not have yet. ` +
      'Use 127.0.0.1.',
  );
  process.exit(1);
}

const path = collectionPath();
const file = openCollection(path);
const fixedToday = process.env.FERNBANK_TODAY;
const app = createApp(
  {
    db: file.db,
    journal: new Journal(file),
    today: () => fixedToday ?? localToday(),
    version,
    photoFolder: photoFolderOf(path),
  },
  logger,
  join(root, 'web/dist'),
);
const server = createServer(app);

server.on('error', (error: NodeJS.ErrnoException) => {
  logger.fatal(
    error.code === 'EADDRINUSE'
      ? `port ${port} is taken; set PORT to another one`
      : `cannot listen: ${error.message}`,
  );
  file.close();
  process.exit(1);
});

server.listen(port, host, () => {
  logger.info({ collection: path }, `Fernbank is open at http://${host}:${port}`);
  // The first keeper to ask should not wait for code that runs for the first time.
  setImmediate(() => void judgeAll(file.db, fixedToday ?? localToday()));
});

/** Lets requests in flight finish, then closes the file. */
function stop(signal: string): void {
  logger.info(`${signal}: closing`);
  server.close(() => {
    file.close();
    process.exit(0);
  });
  server.closeIdleConnections();
  setTimeout(() => process.exit(1), 5000).unref();
}

process.once('SIGINT', () => stop('SIGINT'));
process.once('SIGTERM', () => stop('SIGTERM'));
