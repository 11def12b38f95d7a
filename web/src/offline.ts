/** What the service worker and the pages agree on. */

/** The cache of what was read last. */
export const READ_CACHE = 'fernbank-read';
/** On an answer that was kept: when the server gave it. */
export const KEPT_HEADER = 'X-Fernbank-Kept';
