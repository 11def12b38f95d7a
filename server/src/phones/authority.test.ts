import { X509Certificate } from 'node:crypto';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import { connect, createServer } from 'node:tls';
import { describe, expect, it } from 'vitest';
import { certificateFor, covers, makeAuthority, stillServes, type Pair } from './authority.ts';

const DAY_MS = 86_400_000;
const authority = await makeAuthority(['198.51.100.7', 'quay.example']);
const HOSTS = ['192.168.7.20', '198.51.100.7', '127.0.0.1', 'quay.local'];
const own = await certificateFor(authority, HOSTS);

/** What OpenSSL says of a certificate that is shown for a host; null: it is trusted. */
async function refusal({ cert, key }: Pair, host: string, ca = authority.cert) {
  const server = createServer({ cert, key }).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  try {
    return await new Promise<string | null>((resolve) => {
      const isName = /[a-z]/.test(host);
      const socket = connect(
        { port, host: '127.0.0.1', ca, ...(isName ? { servername: host } : {}) },
        () => {
          socket.destroy();
          resolve(null);
        },
      );
      socket.once('error', (error: NodeJS.ErrnoException) =>
        resolve(`${error.code}: ${error.message}`),
      );
    });
  } finally {
    server.close();
  }
}

describe('the machine’s own authority', () => {
  it('is trusted for the machine by whoever trusts it, and by nobody else', async () => {
    expect(await refusal(own, '127.0.0.1')).toBeNull();
    expect(await refusal(own, 'quay.local')).toBeNull();
    const another = await makeAuthority([]);
    expect(await refusal(own, '127.0.0.1', another.cert)).not.toBeNull();
  });

  it('does not vouch for a name that the certificate lacks', async () => {
    expect(await refusal(own, 'elsewhere.local')).toContain('ERR_TLS_CERT_ALTNAME_INVALID');
  });

  it.each([['bank.example'], ['8.8.8.8'], ['quay.local.example'], ['notlocal']])(
    'what a thief of its key signs for %s is refused for its limits',
    async (host) => {
      const forged = await certificateFor(authority, ['127.0.0.1', host]);
      expect(await refusal(forged, '127.0.0.1')).toMatch(/permitted subtree violation/);
    },
  );

  it('knows what it may speak for: home networks, and what it was named for', () => {
    const may = (host: string) => covers(authority, host);
    for (const host of ['10.1.2.3', '172.31.0.9', '192.168.0.4', '169.254.8.8', 'a.local'])
      expect([host, may(host)]).toEqual([host, true]);
    for (const host of ['198.51.100.7', 'quay.example'])
      expect([host, may(host)]).toEqual([host, true]);
    for (const host of ['172.32.0.1', '11.0.0.1', '198.51.100.8', 'example', 'alocal'])
      expect([host, may(host)]).toEqual([host, false]);
  });

  it('signs for no longer than phones take, and makes it anew a month before it ends', () => {
    const { validFrom, validTo } = new X509Certificate(own.cert);
    const days = (Date.parse(validTo) - Date.parse(validFrom)) / DAY_MS;
    expect(days).toBeLessThanOrEqual(825);
    const end = Date.parse(validTo);
    expect(stillServes(own, authority, HOSTS, end - 31 * DAY_MS)).toBe(true);
    expect(stillServes(own, authority, HOSTS, end - 29 * DAY_MS)).toBe(false);
  });

  it('serves no address that came since', () => {
    expect(stillServes(own, authority, HOSTS)).toBe(true);
    expect(stillServes(own, authority, [...HOSTS, '192.168.7.21'])).toBe(false);
  });
});
