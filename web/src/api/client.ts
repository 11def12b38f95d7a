import { m } from '../messages/index.ts';

/** A refusal by the server, or its silence. */
export class ApiError extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly code: string,
    readonly field?: string,
  ) {
    super(message);
  }

  /** the server could not be reached: nothing is known to have changed */
  get silent(): boolean {
    return this.status === 0;
  }
}

interface Options {
  method?: 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  body?: unknown;
  /** revision that the change builds on */
  rev?: number;
}

const early = new Map<string, Promise<unknown>>();

/**
 * Asks for something before the view that needs it is there; its first call
 * takes the answer over.
 */
export function askEarly(path: string): void {
  const asked = send(path, {});
  asked.catch(() => undefined); // told to whoever takes it over
  early.set(path, asked);
}

/** Calls the API. @throws ApiError for every refusal and for silence */
export async function api<T>(path: string, options: Options = {}): Promise<T> {
  const asked = options.method === undefined ? early.get(path) : undefined;
  early.delete(path);
  return (asked as Promise<T> | undefined) ?? send<T>(path, options);
}

async function send<T>(path: string, options: Options): Promise<T> {
  const { method = 'GET', body, rev } = options;
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(rev === undefined ? {} : { 'If-Match': `"${rev}"` }),
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  } catch {
    throw new ApiError(m.error.network, 0, 'network');
  }
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) return answer as T;
  const { error } = (answer ?? {}) as {
    error?: { code: string; message: string; field?: string };
  };
  // A proxy or a dying server answers without the one error shape.
  if (!error) throw new ApiError(m.error.network, 0, 'network');
  throw new ApiError(error.message, response.status, error.code, error.field);
}

/** Any fault in words for the keeper. */
export function wordsFor(error: unknown): string {
  return error instanceof ApiError ? error.message : m.error.unknown;
}
