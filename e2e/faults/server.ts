import { OwnServer } from '../../scripts/ownServer.ts';

export { pause } from '../../scripts/ownServer.ts';

/** A server of the harness's own, which it treats badly. */
export class Server extends OwnServer {
  async send(method: string, path: string, body?: unknown, headers: Record<string, string> = {}) {
    const response = await fetch(this.address + path, {
      method,
      headers: {
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...headers,
      },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
    const text = await response.text();
    return {
      status: response.status,
      body: (text === '' ? null : JSON.parse(text)) as Record<string, never> & {
        error?: { code: string; message: string };
      },
    };
  }
}

/** All that was found, as rows. */
export const found: string[][] = [['what', 'held']];

/** A row is read at a glance. */
const LONGEST = 120;

/** Says what held; what does not hold ends the harness with a failure. */
export function holds(what: string, is: boolean, more = ''): void {
  // A row of a table is one line, and names nobody's folders.
  const told = more
    .replace(/\s*\n\s*/g, ' · ')
    .replace(/\/[^\s·]*\//g, '…/')
    .slice(0, LONGEST);
  found.push([what, is ? told || 'yes' : `no: ${told}`]);
  console.log(`${is ? 'holds' : 'FAILS'}  ${what}${more ? `: ${more}` : ''}`);
  if (!is) process.exitCode = 1;
}
