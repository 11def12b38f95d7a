import { OutOfRange } from '@fernbank/core';
import type { ErrorRequestHandler, RequestHandler } from 'express';

/** A fault with its HTTP status and the one shape that every error has. */
export class HttpError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly field?: string,
    /** what else the caller needs to go on, beside code and message */
    readonly more: object = {},
  ) {
    super(message);
  }
}

export const notFound = (what: string) => new HttpError(404, 'notFound', `${what} was not found`);
export const invalid = (field: string, message: string) =>
  new HttpError(422, 'invalid', message, field);

/** The core names the offending field first in its messages. */
const FIELD_FIRST = /^([A-Za-z][\w.]*) (?:must|is|of)/;

/** What is the caller's to put right; null: a fault of the program. */
export function asHttpError(error: unknown): HttpError | null {
  if (error instanceof HttpError) return error;
  if (error instanceof OutOfRange) {
    return new HttpError(422, 'outOfRange', error.message, FIELD_FIRST.exec(error.message)?.[1]);
  }
  if (error instanceof URIError) return new HttpError(400, 'badPath', 'the address is malformed');
  if (error instanceof Error && 'status' in error) {
    const status = Number(error.status);
    if (status >= 400 && status < 500) {
      // body-parser: malformed JSON, wrong charset, too large; without a type, files that are not there
      return 'type' in error
        ? new HttpError(status, String(error.type), error.message, 'body')
        : new HttpError(status, 'refused', error.message);
    }
  }
  if (error instanceof Error && 'code' in error) return ofFile(String(error.code));
  return null;
}

const HELD = /^SQLITE_(BUSY|LOCKED)/;
/** Whether another program holds the file. */
export const isLocked = (error: unknown) =>
  error instanceof Error && 'code' in error && HELD.test(String(error.code));

export const locked = () =>
  new HttpError(
    503,
    'locked',
    'another program is writing to the collection: nothing was changed. Try again',
  );

/** What the file or the disk refuses is told as such: the keeper can do something about it. */
function ofFile(code: string): HttpError | null {
  if (code === 'SQLITE_FULL' || code === 'ENOSPC' || code === 'SQLITE_IOERR_WRITE') {
    const message = 'the disk is full: nothing was changed. Make room, then try again';
    return new HttpError(507, 'diskFull', message);
  }
  if (HELD.test(code)) return locked();
  if (code.startsWith('SQLITE_CONSTRAINT')) {
    const message = 'this cannot stand beside what was done meanwhile: nothing was changed';
    return new HttpError(409, 'contradiction', message);
  }
  if (code.startsWith('SQLITE_READONLY') || code === 'EROFS' || code === 'EACCES') {
    const message = 'the collection’s file cannot be written: nothing was changed';
    return new HttpError(507, 'readOnly', message);
  }
  return null;
}

export const unknownRoute: RequestHandler = (request) => {
  throw notFound(`${request.method} ${request.path}`);
};

/** Answers every error in one shape; what is not the caller's fault is logged and kept private. */
export const errorHandler: ErrorRequestHandler = (error, request, response, _next) => {
  const known = asHttpError(error);
  if (!known) request.log.error({ err: error as Error }, 'unexpected error');
  // It may be the program's own fault: the keeper can do nothing about that, who reads the log can.
  if (known?.code === 'contradiction') request.log.warn({ err: error as Error }, known.message);
  const { status, code, message, field, more } =
    known ?? new HttpError(500, 'internal', 'something went wrong here; nothing was changed');
  response.status(status).json({ error: { code, message, ...(field ? { field } : {}), ...more } });
};
