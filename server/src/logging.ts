import { mkdirSync } from 'node:fs';
import { basename, dirname } from 'node:path';
import { pino, stdSerializers, type Logger } from 'pino';
import pretty from 'pino-pretty';
import { createStream } from 'rotating-file-stream';

const LARGEST_LOG = '5M';
const LOGS_KEPT = 4;

/** Beside the collection, under its name. */
export const logBeside = (collection: string): string =>
  `${collection.replace(/\.sqlite$/, '')}.log`;

/** What may say who somebody is, or let them in, is not written down. */
export const WRITTEN_OF = {
  req: ({ method, url }: { method: string; url: string }) => ({
    method,
    url: url.replace(/([?&]key=)[^&]*/g, '$1…'),
  }),
  res: ({ statusCode }: { statusCode: number }) => ({ statusCode }),
  err: stdSerializers.err,
};

/**
 * The log: JSON, one line an event, in a file that is set aside when it has grown.
 *
 * @param where  the path of the file; `-` is standard output, `pretty` the same for eyes
 * @param level  of pino: `silent` … `trace`
 * @param onFault  hears that the log cannot be written; the program goes on without
 */
export function openLog(where: string, level: string, onFault: (error: Error) => void): Logger {
  const options = { serializers: WRITTEN_OF, level };
  if (level === 'silent') return pino(options);
  if (where === '-') return pino(options);
  if (where === 'pretty') return pino(options, pretty({ sync: true, ignore: 'pid,hostname' }));
  mkdirSync(dirname(where), { recursive: true, mode: 0o700 });
  const file = createStream(basename(where), {
    path: dirname(where),
    size: LARGEST_LOG,
    maxFiles: LOGS_KEPT,
    mode: 0o600,
  });
  let told = false;
  file.on('error', (error) => {
    if (!told) onFault(error);
    told = true;
  });
  return pino(options, file);
}
