import { spawn, type ChildProcess } from 'node:child_process';
import { copyFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import type { OpenFile } from '../server/src/db/driver.ts';
import { copyFolderOf } from '../server/src/copies/copies.ts';
import { openCollection } from '../server/src/db/open.ts';
import { photoFolderOf } from '../server/src/place.ts';

/** What benches, pictures and tests need of a running Fernbank. */

export const root = join(import.meta.dirname, '..');
const START_MS = 60_000;
const POLL_MS = 10;

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** The built server in a process of its own, at an address of its own, which it keeps when it is started again. */
export class OwnServer {
  #process: ChildProcess | null = null;
  #port = 0;
  /** what it wrote since it was started */
  said = '';

  /**
   * @param program  what Node is to run; the server as it is installed, when absent
   * @param args  what it is asked for; absent: the collection of its environment
   */
  constructor(
    readonly environment: Record<string, string>,
    readonly program = join(root, 'server/dist/fernbank.js'),
    readonly args: readonly string[] = [],
  ) {}

  get port(): number {
    return this.#port;
  }
  get address(): string {
    return `http://127.0.0.1:${this.#port}`;
  }
  get pid(): number {
    return this.#process!.pid!;
  }

  /** @returns whether it came up; else it has ended, or is silent for a minute, and `said` tells why */
  async start(more: Record<string, string> = {}): Promise<boolean> {
    this.said = '';
    const child = spawn(process.execPath, [this.program, ...this.args], {
      cwd: root,
      env: {
        ...process.env,
        LOG_LEVEL: 'warn',
        FERNBANK_LOG: '-',
        PORT: String(this.#port),
        ...this.environment,
        ...more,
      },
    });
    this.#process = child;
    for (const stream of [child.stdout, child.stderr]) {
      stream.on('data', (chunk: Buffer) => (this.said += chunk.toString()));
    }
    let ended = false;
    child.once('exit', () => (ended = true));
    for (const began = Date.now(); Date.now() - began < START_MS && !ended;) {
      if (await this.answers()) return true;
      await pause(POLL_MS);
    }
    return false;
  }
  private async answers(): Promise<boolean> {
    this.#port ||= Number(/https?:\/\/\S+:(\d+)\b/.exec(this.said)?.[1] ?? 0);
    if (this.#port === 0) return false;
    return fetch(`${this.address}/api/health`).then(
      ({ ok }) => ok,
      () => false,
    );
  }

  /** Ends it: by default as a power cut does. */
  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const child = this.#process;
    this.#process = null;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await ended;
  }
}

/** Starts a server that must come up. */
export async function serving(environment: Record<string, string>): Promise<OwnServer> {
  const server = new OwnServer(environment);
  if (!(await server.start())) throw new Error(`the server did not start: ${server.said}`);
  return server;
}

/** Nothing of an earlier run lies at the path of a collection in the scratch folder. @returns the path */
export function freshPath(name: string): string {
  const path = join(root, `.run/${name}.sqlite`);
  for (const suffix of ['', '-wal', '-shm']) rmSync(path + suffix, { force: true });
  for (const folder of [copyFolderOf(path), photoFolderOf(path)]) {
    rmSync(folder, { recursive: true, force: true });
  }
  return path;
}

/** A collection in the scratch folder, made anew. @returns its path */
export function collectionOf(name: string, fill: (file: OpenFile, path: string) => void): string {
  const path = freshPath(name);
  const file = openCollection(path);
  fill(file, path);
  file.exec('PRAGMA wal_checkpoint(TRUNCATE)');
  file.close();
  return path;
}

/** A collection like another one. @returns its path */
export function copyOf(path: string, name: string): string {
  const copy = freshPath(name);
  copyFileSync(path, copy);
  return copy;
}

/** The browser of the system, without a window. */
export const openBrowser = (): Promise<Browser> =>
  chromium.launch({
    executablePath: process.env.FERNBANK_CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
