import { addressesOf, isLoopback, type Interfaces } from './place.ts';

/** What is told to the person who started it. */
export interface Opened {
  version: string;
  secure: boolean;
  host: string;
  port: number;
  collection: string;
  /** a path; `-` and `pretty` go to the terminal themselves */
  log: string;
  demo: boolean;
}

/** Addresses at which a phone of the same network finds it; none where only this machine may. */
export function phoneAddresses({ host, port, secure }: Opened, interfaces: Interfaces): string[] {
  if (isLoopback(host)) return [];
  const everywhere = host === '0.0.0.0' || host === '::';
  const hosts = everywhere ? addressesOf(interfaces) : [host];
  return hosts.map((each) => addressOf(each, port, secure));
}

const addressOf = (host: string, port: number, secure: boolean) =>
  `${secure ? 'https' : 'http'}://${host.includes(':') ? `[${host}]` : host}:${port}`;

/** A few lines for a terminal. */
export function greeting(opened: Opened, interfaces: Interfaces): string {
  const { host, port, secure, version, collection, log, demo } = opened;
  const own = host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host;
  const rows: [string, string][] = [
    ['Open', addressOf(own, port, secure)],
    ...phoneAddresses(opened, interfaces).map((address): [string, string] => ['Phone', address]),
    [demo ? 'Demo' : 'Collection', collection],
    ...(log === '-' || log === 'pretty' ? [] : [['Log', log] as [string, string]]),
    ['Stop', 'Ctrl+C'],
  ];
  const lines = rows.map(([word, value]) => `  ${word.padEnd(12)}${value}`);
  return [`Fernbank ${version}`, '', ...lines, ''].join('\n');
}
