import { homedir, type NetworkInterfaceInfo } from 'node:os';
import { join } from 'node:path';

/**
 * Where a keeper's own collection lives: the user's data directory of each
 * system, unless `FERNBANK_DB` names a file.
 */
export function collectionPath(environment = process.env, platform = process.platform): string {
  return environment.FERNBANK_DB ?? join(dataFolder(environment, platform), 'collection.sqlite');
}

/** The demo never shares a file with what is the keeper's own. */
export function demoPath(environment = process.env, platform = process.platform): string {
  return join(dataFolder(environment, platform), 'demo.sqlite');
}

function dataFolder(environment: NodeJS.ProcessEnv, platform: NodeJS.Platform): string {
  const home = homedir();
  const base =
    platform === 'win32'
      ? (environment.APPDATA ?? join(home, 'AppData', 'Roaming'))
      : platform === 'darwin'
        ? join(home, 'Library', 'Application Support')
        : (environment.XDG_DATA_HOME ?? join(home, '.local', 'share'));
  return join(base, 'fernbank');
}

/** Pictures of a collection lie in a folder beside its file. */
export function photoFolderOf(path: string): string {
  return `${path.replace(/\.sqlite$/, '')}.photos`;
}

const LOOPBACK = new Set(['127.0.0.1', '::1', 'localhost']);

/** Whether only this machine can reach the address. */
export function isLoopback(host: string): boolean {
  return LOOPBACK.has(host);
}

/** Network interfaces by name, as Node tells them. */
export type Interfaces = Partial<Record<string, NetworkInterfaceInfo[]>>;

/** IPv4 addresses at which other machines of the network find this one. */
export const addressesOf = (interfaces: Interfaces): string[] =>
  Object.values(interfaces).flatMap((each) =>
    (each ?? [])
      .filter(({ family, internal }) => family === 'IPv4' && !internal)
      .map(({ address }) => address),
  );

/** A name that a machine may have in the network at home. @source RFC 1123 §2.1 */
const LABEL = /^[a-z0-9]([a-z0-9-]{0,61}[a-z0-9])?$/i;

/** What phones may call this machine: by its addresses, and by its name, which stays when those change. */
export function hostsOf(interfaces: Interfaces, hostname: string): string[] {
  const addresses = addressesOf(interfaces);
  const [name = ''] = hostname.split('.');
  return addresses.length > 0 && LABEL.test(name)
    ? [...addresses, `${name.toLowerCase()}.local`]
    : addresses;
}
