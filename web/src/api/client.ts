import type { AnswerAt, Method, RowAt } from './contract.ts';
import { m } from '../messages/index.ts';
import { KEPT_HEADER } from '../offline.ts';

/** A refusal by the server, or its silence. */
export class ApiError extends Error {
  constructor(
    message: string,
    readonly status: number,
    readonly code: string,
    readonly field?: string,
    /** what else the server tells of it */
    readonly more: Record<string, unknown> = {},
  ) {
    super(message);
  }

  /** the server could not be reached: nothing is known to have changed */
  get silent(): boolean {
    return this.status === 0;
  }
}

interface Options<M extends Method = Method> {
  method?: M;
  /** a file as it is, anything else as JSON */
  body?: unknown;
  /** what the file is, as a media type */
  type?: string;
  /** revision that the change builds on */
  rev?: number;
  /** stands for this one write, however often it is sent */
  key?: string;
  /** whoever asks settles a conflict itself */
  ownConflict?: boolean;
}

/** What settles a write that was made stale elsewhere; null: it stays refused. */
type Settle = (
  path: string,
  body: object,
  /** the row as it was when the keeper began, where it is known */
  base: object | null,
) => Promise<{ body: object; rev: number } | null>;
let settle: Settle = () => Promise.resolve(null);
let askToSignIn: () => void = () => undefined;

/** How the interface deals with what any call can meet: two devices at once, and a closed door. */
export function whenCalled(handlers: { settle: Settle; signIn: () => void }): void {
  ({ settle, signIn: askToSignIn } = handlers);
}

let answered: (kept: string | null) => void = () => undefined;
/** Hears of every answer whether it was kept from before, and from when. */
export function whenAnswered(told: (kept: string | null) => void): void {
  answered = told;
}

/** A name that nothing else has: works without HTTPS too, which `randomUUID` does not. */
export function freshKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  return [...bytes].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** This window, so that it is not told of what it did itself. */
export const WINDOW = freshKey();

const early = new Map<string, Promise<unknown>>();

/**
 * Asks for something before the view that needs it is there; its first call
 * takes the answer over.
 */
export function askEarly(path: string): void {
  const asked = send(path, {}).then(({ answer }) => answer);
  early.set(path, asked);
  // Nobody took it over yet: it is asked anew by who does, signed in or with the server back by then.
  asked.catch(() => early.get(path) === asked && early.delete(path));
}

interface Revised {
  id?: unknown;
  rev?: unknown;
}
/** Rows as they were last read, by their address: what a keeper's change began from. */
const read = new Map<string, Revised>();
/** Two lists of a large collection. */
const MOST_READ = 12_000;

function remember(path: string, answer: unknown): void {
  const [address] = path.split('?') as [string];
  const { items } = (answer ?? {}) as { items?: unknown };
  if (read.size > MOST_READ) read.clear();
  if (Array.isArray(items)) {
    for (const row of items as Revised[]) {
      if (row?.rev !== undefined) read.set(`${address}/${String(row.id)}`, row);
    }
  } else if ((answer as Revised | null)?.rev !== undefined) read.set(address, answer as Revised);
}
/** Forgets all that was read: whoever is signed out leaves nothing behind. */
export const forgetRead = (): void => read.clear();
const baseOf = (path: string, rev: number | undefined) => {
  const row = read.get(path);
  return row?.rev === rev ? (row ?? null) : null;
};

/** What was answered to a write, and the entry of the history by which it is taken back; null: nothing changed. */
export interface Written<T> {
  answer: T;
  deed: number | null;
}

/** Calls the API. @throws ApiError for every refusal and for silence */
export async function api<P extends string, M extends Method = 'GET'>(
  path: P,
  options: Options<M> = {},
): Promise<AnswerAt<M, P>> {
  type Answer = AnswerAt<M, P>;
  const asked = options.method === undefined ? early.get(path) : undefined;
  early.delete(path);
  return (asked as Promise<Answer> | undefined) ?? (await send<Answer>(path, options)).answer;
}

/** Calls the API for something that can be taken back. @throws ApiError as `api` does */
export const write = <P extends string, M extends Method>(
  path: P,
  options: Options<M> & { method: M },
): Promise<Written<AnswerAt<M, P>>> => send(path, options);

async function send<T>(path: string, options: Options): Promise<Written<T>> {
  try {
    return await sendOnce<T>(path, options);
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    if (error.status === 401 && error.code === 'signIn') askToSignIn();
    const { body, method, ownConflict } = options;
    const stale = error.status === 412 && method === 'PATCH' && !ownConflict;
    if (!stale || typeof body !== 'object' || body === null || body instanceof Blob) throw error;
    const settled = await settle(path, body, baseOf(path, options.rev));
    if (!settled) throw error;
    return send<T>(path, { ...options, ...settled });
  }
}

/** A browser carries 64 KiB of writes past the end of their page, all of them together. */
const OUTLIVING_BYTES = 48_000;
let outliving = 0;

async function sendOnce<T>(path: string, options: Options): Promise<Written<T>> {
  const { method = 'GET', body, type = 'application/json', rev, key } = options;
  const text = body === undefined || body instanceof Blob ? body : JSON.stringify(body);
  // Whoever taps and closes the page at once meant what was tapped. Three bytes a letter at most.
  const bytes = 3 * (typeof text === 'string' ? text.length : 0);
  const keepalive =
    method !== 'GET' && !(text instanceof Blob) && outliving + bytes <= OUTLIVING_BYTES;
  let response: Response;
  if (keepalive) outliving += bytes;
  try {
    response = await fetch(`/api${path}`, {
      method,
      keepalive,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': type }),
        ...(rev === undefined ? {} : { 'If-Match': `"${rev}"` }),
        ...(key === undefined ? {} : { 'Idempotency-Key': key }),
        ...(method === 'GET' ? {} : { 'X-Fernbank-Window': WINDOW }),
      },
      ...(text === undefined ? {} : { body: text }),
    });
  } catch {
    throw new ApiError(m.error.network, 0, 'network');
  } finally {
    if (keepalive) outliving -= bytes;
  }
  answered(response.headers?.get(KEPT_HEADER) ?? null);
  const deed = Number(response.headers?.get('X-Fernbank-Deed')) || null;
  if (response.status === 204) return { answer: undefined as T, deed };
  const answer: unknown = await response.json().catch(() => null);
  if (response.ok) {
    if (method === 'GET' || method === 'PATCH') remember(path, answer);
    return { answer: answer as T, deed };
  }
  const { error } = (answer ?? {}) as {
    error?: { code: string; message: string; field?: string; [more: string]: unknown };
  };
  // A proxy or a dying server answers without the one error shape.
  if (!error) throw new ApiError(m.error.network, 0, 'network');
  const { code, message, field, ...more } = error;
  throw new ApiError(message, response.status, code, field, more);
}

/** Any fault in words for the keeper. */
export function wordsFor(error: unknown): string {
  return error instanceof ApiError ? error.message : m.error.unknown;
}

const MOST_PER_PAGE = 1000;
/** All rows of a list, page by page. */
export async function apiAll<P extends string>(path: P): Promise<RowAt<P>[]> {
  const rows: RowAt<P>[] = [];
  let cursor: number | null = 0;
  while (cursor !== null) {
    const sign = path.includes('?') ? '&' : '?';
    const at: string = `${path}${sign}limit=${MOST_PER_PAGE}${cursor > 0 ? `&cursor=${cursor}` : ''}`;
    const page = (await api(at)) as { items: RowAt<P>[]; nextCursor?: number | null };
    rows.push(...page.items);
    cursor = page.nextCursor ?? null;
  }
  return rows;
}
