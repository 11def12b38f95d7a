import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { chromium, type Browser } from '@playwright/test';
import type { OpenFile } from '../server/src/db/driver.ts';
import { copyFolderOf } from '../server/src/copies/copies.ts';
import { openCollection } from '../server/src/db/open.ts';

/** What benches, pictures and tests need of a running Fernbank. */

export const root = join(import.meta.dirname, '..');
const START_MS = 60_000;
const POLL_MS = 25;

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A server in a process of its own, on a port of its own. */
export class OwnServer {
  #process: ChildProcess | null = null;
  /** what it wrote since it was started */
  said = '';

  constructor(
    readonly port: number,
    readonly environment: Record<string, string>,
  ) {}

  get address(): string {
    return `http://127.0.0.1:${this.port}`;
  }
  get pid(): number {
    return this.#process!.pid!;
  }

  /** @returns whether it came up; else it has ended, or is silent for a minute, and `said` tells why */
  async start(more: Record<string, string> = {}): Promise<boolean> {
    this.said = '';
    const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
      cwd: root,
      env: {
        ...process.env,
        LOG_LEVEL: 'warn',
        PORT: String(this.port),
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
  private answers(): Promise<boolean> {
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
export async function serving(
  port: number,
  environment: Record<string, string>,
): Promise<OwnServer> {
  const server = new OwnServer(port, environment);
  if (!(await server.start())) throw new Error(`the server did not start: ${server.said}`);
  return server;
}

/** A collection in the scratch folder, made anew. @returns its path */
export function collectionOf(name: string, fill: (file: OpenFile) => void): string {
  const path = join(root, `.run/${name}.sqlite`);
  for (const suffix of ['', '-wal', '-shm']) rmSync(path + suffix, { force: true });
  rmSync(copyFolderOf(path), { recursive: true, force: true });
  const file = openCollection(path);
  fill(file);
  file.close();
  return path;
}

/** The browser of the system, without a window. */
export const openBrowser = (): Promise<Browser> =>
  chromium.launch({
    executablePath: process.env.FERNBANK_CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
