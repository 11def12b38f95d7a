import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import type { RequestListener } from 'node:http';
import { createServer as createSecureServer, type Server as SecureServer } from 'node:https';
import type { AddressInfo, Server } from 'node:net';
import { cameByPhones } from '../door/gate.ts';
import { HttpError } from '../http/errors.ts';
import {
  certificateFor,
  covers,
  fingerprintOf,
  makeAuthority,
  stillServes,
  type Authority,
  type Pair,
} from './authority.ts';
import { Pairing } from './pairing.ts';
import { twoWays } from './twoWays.ts';
import { welcome } from './welcome.ts';

/** What is kept of it from one start to the next, beside the collection, for the keeper alone. */
interface Kept {
  /** whether it is open when Fernbank starts */
  open: boolean;
  /** phones remember it */
  port: number;
  authority: Authority;
  certificate: Pair;
}
export const phonesFileOf = (path: string) => `${path.replace(/\.sqlite$/, '')}.phones.json`;

export interface PhonesNow {
  open: boolean;
  /** what this machine is called in the network of the house; none: it is in none */
  hosts: string[];
  port: number | null;
  /** of the authority that phones are asked to trust, SHA-256 */
  fingerprint: string | null;
  /** why it could not be opened when Fernbank started */
  fault: string | null;
}

export interface PhoneCode {
  code: string;
  /** ISO time */
  until: string;
  /** what a phone opens first, for each host */
  links: { host: string; link: string }[];
}

/** The machine itself, for who tries it here. */
const HERE = ['127.0.0.1', 'localhost'];

/**
 * The way in for phones: opened only when asked, on a port of its own, by HTTPS under a certificate of
 * this machine's own making. Whoever comes this way must be paired, also where no passphrase is set.
 */
export class Phones {
  readonly #pairing: Pairing;
  readonly #file: string;
  #kept: Kept | null;
  #app: RequestListener = (_request, response) => response.end();
  #listening: { secure: SecureServer; listener: Server; letGo: () => void } | null = null;
  #fault: string | null = null;
  /** asked for twice at once, it is opened once */
  #opening: Promise<void> | null = null;

  /**
   * @param of.path  of the collection
   * @param of.port  to listen on the first time; with 0 the system chooses one
   * @param of.hosts  what this machine is called now, the likeliest first
   * @param of.now  ms
   */
  constructor(
    private readonly of: {
      path: string;
      port: number;
      hosts: () => string[];
      now?: () => number;
    },
  ) {
    this.#file = phonesFileOf(of.path);
    this.#pairing = new Pairing(of.now);
    this.#kept = readKept(this.#file);
  }

  /** Opens it again if it was open; a fault is told where it is asked for. @param app  what answers */
  async begin(app: RequestListener): Promise<void> {
    this.#app = app;
    if (!this.#kept?.open) return;
    await this.open().catch((error: Error) => (this.#fault = error.message));
  }

  get now(): PhonesNow {
    return {
      open: this.#listening !== null,
      hosts: this.of.hosts(),
      port: this.#listening ? this.#kept!.port : null,
      fingerprint: this.#kept && fingerprintOf(this.#kept.authority.cert),
      fault: this.#fault,
    };
  }

  /** @throws HttpError 409 when this machine is in no network, or the port is another's */
  open(): Promise<void> {
    this.#opening ??= this.#open().finally(() => (this.#opening = null));
    return this.#opening;
  }

  async #open(): Promise<void> {
    this.#fault = null;
    if (this.#listening) return this.renew();
    const hosts = this.of.hosts();
    if (hosts.length === 0) {
      throw new HttpError(
        409,
        'noNetwork',
        'this machine is in no network that a phone could share',
      );
    }
    const { authority, certificate } = await this.#papersFor(hosts);
    // The whole chain, so that a phone can name the authority it does not know.
    const secure = createSecureServer(served(certificate, authority), (request, response) => {
      cameByPhones(request);
      this.#app(request, response);
    });
    const { listener, letGo } = twoWays(
      secure,
      welcome(() => this.#kept!.authority.cert),
    );
    const port = await listenOn(listener, this.#kept?.port ?? this.of.port);
    this.#listening = { secure, listener, letGo };
    this.#keep({ open: true, port, authority, certificate });
  }

  /** Nobody comes in this way any more; what phones trust stays as it is for the next time. */
  close(): void {
    this.#pairing.withdraw();
    this.#end();
    if (this.#kept) this.#keep({ ...this.#kept, open: false });
  }

  /** Fernbank stops: it is open again when it starts. */
  stop(): void {
    this.#end();
  }

  /** A certificate for what the machine is called by now, that does not end soon. */
  async renew(): Promise<void> {
    const hosts = this.of.hosts();
    if (!this.#listening || hosts.length === 0) return;
    const { authority, certificate } = await this.#papersFor(hosts);
    this.#listening.secure.setSecureContext(served(certificate, authority));
    this.#keep({ ...this.#kept!, authority, certificate });
  }

  /** A code for one phone. @throws HttpError 409 while it is closed */
  async offer(): Promise<PhoneCode> {
    if (!this.#listening) throw new HttpError(409, 'closed', 'open Fernbank to phones first');
    await this.renew();
    const { code, until } = this.#pairing.offer();
    const { authority } = this.#kept!;
    const links = this.of
      .hosts()
      .filter((host) => covers(authority, host))
      .map((host) => ({ host, link: `http://${host}:${this.#kept!.port}/#${code}` }));
    return { code, until: new Date(until).toISOString(), links };
  }

  /** Uses a code up. @returns whether it let someone in */
  take(code: string): boolean {
    return this.#listening !== null && this.#pairing.take(code);
  }

  /** What is there already, as long as it speaks for these hosts. */
  async #papersFor(hosts: readonly string[]): Promise<Pick<Kept, 'authority' | 'certificate'>> {
    const kept = this.#kept;
    const known = kept !== null && hosts.some((host) => covers(kept.authority, host));
    const authority = known ? kept.authority : await makeAuthority(hosts, this.of.now?.());
    const names = [...hosts.filter((host) => covers(authority, host)), ...HERE];
    if (known && stillServes(kept.certificate, authority, names, this.of.now?.())) return kept;
    return { authority, certificate: await certificateFor(authority, names, this.of.now?.()) };
  }

  #end(): void {
    this.#listening?.listener.close();
    this.#listening?.letGo();
    this.#listening = null;
  }

  #keep(kept: Kept): void {
    this.#kept = kept;
    // In one piece or not at all: a phone that trusts it should not have to do so again.
    const half = `${this.#file}.half`;
    writeFileSync(half, JSON.stringify(kept), { mode: 0o600 });
    renameSync(half, this.#file);
  }
}

const served = ({ cert, key }: Pair, authority: Authority) => ({
  cert: cert + authority.cert,
  key,
});

/** What cannot be read is made anew. */
function readKept(file: string): Kept | null {
  if (!existsSync(file)) return null;
  try {
    const kept = JSON.parse(readFileSync(file, 'utf8')) as Kept;
    fingerprintOf(kept.authority.cert);
    fingerprintOf(kept.certificate.cert);
    return kept;
  } catch {
    return null;
  }
}

function listenOn(listener: Server, port: number): Promise<number> {
  return new Promise((resolve, reject) => {
    listener.once('error', ({ code, message }: NodeJS.ErrnoException) =>
      reject(
        new HttpError(
          409,
          'port',
          code === 'EADDRINUSE'
            ? `port ${port} of this machine is taken: start Fernbank with FERNBANK_PHONE_PORT set to another one`
            : `phones cannot be listened for: ${message}`,
        ),
      ),
    );
    listener.listen(port, '0.0.0.0', () => resolve((listener.address() as AddressInfo).port));
  });
}
