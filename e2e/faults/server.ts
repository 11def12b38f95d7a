import { spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';

const root = join(import.meta.dirname, '../..');
const START_MS = 60_000;
const POLL_MS = 25;

/** A server of the harness's own, which it treats badly. */
export class Server {
  #process: ChildProcess | null = null;
  /** what it wrote before it ended */
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

  /** @returns whether it came up; else it has ended and `said` tells why */
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
      if (
        await fetch(`${this.address}/api/health`).then(
          ({ ok }) => ok,
          () => false,
        )
      )
        return true;
      await pause(POLL_MS);
    }
    return false;
  }

  /** Ends it as a power cut does. */
  async kill(signal: NodeJS.Signals = 'SIGKILL'): Promise<void> {
    const child = this.#process;
    this.#process = null;
    if (!child || child.exitCode !== null || child.signalCode !== null) return;
    const ended = new Promise((resolve) => child.once('exit', resolve));
    child.kill(signal);
    await ended;
  }

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

export const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Says what held; what does not hold ends the harness with a failure. */
export function holds(what: string, is: boolean, more = ''): void {
  console.log(`${is ? 'holds' : 'FAILS'}  ${what}${more ? `: ${more}` : ''}`);
  if (!is) process.exitCode = 1;
}
