import type { Server } from 'node:http';

/** Longer than anyone pauses between two taps. */
const KEEP_ALIVE_MS = 65_000;
/** A connection on which nothing moves is let go of; open windows are pinged more often. */
const SILENCE_MS = 120_000;

/** How long a server waits for who is slow. */
export function patient(server: Server): void {
  // A browser that comes back to a connection just as it is closed would be told that nobody is there.
  server.keepAliveTimeout = KEEP_ALIVE_MS;
  server.headersTimeout = KEEP_ALIVE_MS + 1000;
  // A large backup over a slow line takes as long as it takes, as long as something comes.
  server.requestTimeout = 0;
  server.timeout = SILENCE_MS;
}
