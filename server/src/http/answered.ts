import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { Request, Response } from 'express';
import { patiently } from '../db/patience.ts';
import { answers } from '../db/schema.ts';
import type { Journal } from '../history/journal.ts';
import type { Around } from './described.ts';
import { HttpError } from './errors.ts';

const KEY = /^[\w-]{8,100}$/;
/** Headers of an answer that are worth repeating. */
const REPEATED = ['location', 'etag', 'content-type', 'x-fernbank-deed'];

/**
 * What stands around every write: one transaction and one deed, answered only once it stands, and
 * done once however often it is sent with the same `Idempotency-Key`.
 */
export function answered(journal: Journal): Around {
  const { db } = journal.file;
  return async ({ key: operation, method, kind }, request, response, run) => {
    const key = keyOf(request);
    const fingerprint = key === null ? '' : fingerprintOf(request);
    const sent = () =>
      key === null ? undefined : db.select().from(answers).where(eq(answers.key, key)).get();
    const held = hold(response);
    const intent = {
      what: operation,
      kind: kind ?? (method === 'delete' ? ('remove' as const) : ('write' as const)),
      ...whoAsks(request, response),
    };
    const write = () => {
      // It may have been done while this one waited.
      const before = sent();
      if (before) return { before, done: null };
      const { done } = journal.write(intent, () => {
        run();
        if (key === null) return;
        const deed = journal.deedNow();
        if (journal.file.value('SELECT 1 FROM deeds WHERE id = ?', deed) !== undefined) {
          response.set('X-Fernbank-Deed', String(deed));
        }
        const { status, headers, body } = held.answer();
        const at = new Date().toISOString();
        db.insert(answers).values({ key, fingerprint, at, status, headers, body }).run();
      });
      return { before, done };
    };
    try {
      const { before, done } = await patiently(write);
      if (before) {
        held.drop();
        return repeat(response, before, fingerprint);
      }
      if (done) response.set('X-Fernbank-Deed', String(done.id));
    } catch (error) {
      held.drop();
      throw error;
    }
    held.release();
  };
}

/** The device that asks, and its window. */
export function whoAsks(
  request: Request,
  response: Response,
): { device: string | null; window: string | null } {
  const window = request.get('X-Fernbank-Window') ?? '';
  return {
    device: (response.locals.device as string | undefined) ?? null,
    window: KEY.test(window) ? window : null,
  };
}

function keyOf(request: Request): string | null {
  const key = request.get('Idempotency-Key');
  if (key === undefined) return null;
  if (!KEY.test(key)) {
    throw new HttpError(400, 'invalid', 'Idempotency-Key must be 8–100 letters, digits, _ or -');
  }
  return key;
}

function fingerprintOf(request: Request): string {
  const body: unknown = request.body;
  return createHash('sha256')
    .update(`${request.method} ${request.originalUrl}\n`)
    .update(Buffer.isBuffer(body) ? body : JSON.stringify(body ?? null))
    .digest('hex');
}

function repeat(response: Response, before: typeof answers.$inferSelect, fingerprint: string) {
  if (before.fingerprint !== fingerprint) {
    throw new HttpError(422, 'keyReused', 'this Idempotency-Key stood for another request before');
  }
  const { status, headers, body } = before;
  response.status(status).set(headers).set('Idempotent-Replayed', 'true');
  response.end(body);
}

/** Keeps an answer back until its transaction stands: what was told to have happened has. */
function hold(response: Response) {
  const end = response.end.bind(response);
  let given: unknown[] | null = null;
  response.end = ((...args: unknown[]) => {
    given = args;
    return response;
  }) as Response['end'];
  return {
    answer: () => {
      const headers = Object.fromEntries(
        REPEATED.flatMap((name) => {
          const value = response.get(name);
          return value === undefined ? [] : [[name, value]];
        }),
      );
      const [body] = given ?? [];
      return {
        status: response.statusCode,
        headers,
        body: typeof body === 'string' || Buffer.isBuffer(body) ? body.toString() : '',
      };
    },
    release: () => {
      response.end = end;
      if (given) (end as (...args: unknown[]) => void)(...given);
    },
    /** Nothing was done: nothing of what was to be said of it stays. */
    drop: () => {
      response.end = end;
      for (const name of [
        'Location',
        'ETag',
        'Content-Length',
        'Content-Type',
        'X-Fernbank-Deed',
      ]) {
        response.removeHeader(name);
      }
    },
  };
}
