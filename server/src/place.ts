import { homedir } from 'node:os';
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
