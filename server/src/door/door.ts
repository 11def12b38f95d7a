import { OutOfRange } from '@fernbank/core';
import { createHash, randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { and, eq, gt } from 'drizzle-orm';
import type { Db } from '../db/driver.ts';
import { devices, door } from '../db/schema.ts';

/** Shorter ones are guessed. */
export const SHORTEST_PASSPHRASE = 10;
/** How long a device stays signed in. */
export const DEVICE_DAYS = 60;
/**
 * Cost of one guess: 32 MB and about a tenth of a second.
 * @source OWASP Password Storage Cheat Sheet, scrypt: N = 2^15, r = 8, p = 3, from memory
 */
const COST: ScryptOptions = { N: 2 ** 15, r: 8, p: 3, maxmem: 64 * 1024 * 1024 };
const HASH_BYTES = 32;
const TOKEN_BYTES = 32;
/** When a device was last seen is not written more often than that. */
const SEEN_EVERY_MS = 60 * 60 * 1000;
const DAY_MS = 86_400_000;

export type Device = typeof devices.$inferSelect;

/** What a passphrase is checked against. */
interface Lock {
  salt: Buffer;
  hash: Buffer;
  cost: ScryptOptions;
}

/** Who may come in: whoever gives the passphrase, and then the device that it was given on. */
export class Door {
  private constructor(
    private readonly db: Db,
    private readonly lock: Lock | null,
    private readonly now: () => number,
  ) {}

  /** One that has no passphrase: of other machines only those come in that a keeper vouched for. */
  static plain(db: Db, now = Date.now): Door {
    return new Door(db, null, now);
  }

  /** Whether a passphrase is asked for. */
  get locked(): boolean {
    return this.lock !== null;
  }

  /**
   * Hangs the door on its passphrase. Another one than last time signs every device out.
   *
   * @param cost  of one guess; less than the default only where nobody guesses: in tests
   * @throws RangeError when the passphrase is too short
   */
  static async hang(
    db: Db,
    passphrase: string,
    now = Date.now,
    cost: ScryptOptions = COST,
  ): Promise<Door> {
    if (passphrase.length < SHORTEST_PASSPHRASE) {
      throw new OutOfRange(
        `passphrase must have at least ${SHORTEST_PASSPHRASE} characters, got ${passphrase.length}`,
      );
    }
    const before = db.select().from(door).get();
    if (before) {
      const salt = Buffer.from(before.salt, 'hex');
      const hash = await hashOf(passphrase, salt, cost);
      if (timingSafeEqual(hash, Buffer.from(before.hash, 'hex'))) {
        return new Door(db, { salt, hash, cost }, now);
      }
    }
    const salt = randomBytes(16);
    const hash = await hashOf(passphrase, salt, cost);
    db.transaction((tx) => {
      tx.delete(door).run();
      tx.delete(devices).run();
      tx.insert(door)
        .values({ id: 1, salt: salt.toString('hex'), hash: hash.toString('hex') })
        .run();
    });
    return new Door(db, { salt, hash, cost }, now);
  }

  /** Signs a device in. @returns its token, or null when the passphrase is wrong */
  async open(passphrase: string, label: string): Promise<string | null> {
    if (!this.lock) return null;
    const given = await hashOf(passphrase, this.lock.salt, this.lock.cost);
    return timingSafeEqual(given, this.lock.hash) ? this.admit(label, 'all') : null;
  }

  /** Lets something in without asking: what a signed-in device vouches for. */
  admit(label: string, scope: Device['scope']): string {
    const token = randomBytes(TOKEN_BYTES).toString('base64url');
    const now = this.now();
    this.db
      .insert(devices)
      .values({
        label,
        scope,
        tokenHash: tokenHash(token),
        since: iso(now),
        seen: iso(now),
        until: scope === 'all' ? iso(now + DEVICE_DAYS * DAY_MS) : '9999',
      })
      .run();
    return token;
  }

  /** The device that a token was given to, while it is signed in. */
  deviceOf(token: string): Device | null {
    const now = iso(this.now());
    const device = this.db
      .select()
      .from(devices)
      .where(and(eq(devices.tokenHash, tokenHash(token)), gt(devices.until, now)))
      .get();
    if (!device) return null;
    if (Date.parse(now) - Date.parse(device.seen) > SEEN_EVERY_MS) {
      try {
        this.db.update(devices).set({ seen: now }).where(eq(devices.id, device.id)).run();
      } catch {
        // The file is held or full: when it was seen last is not worth turning it away.
      }
    }
    return device;
  }

  /** Whether a device is still signed in. */
  isIn(id: number): boolean {
    const now = iso(this.now());
    const of = and(eq(devices.id, id), gt(devices.until, now));
    return this.db.select().from(devices).where(of).get() !== undefined;
  }

  /** @returns whether there was such a device */
  revoke(id: number): boolean {
    return this.db.delete(devices).where(eq(devices.id, id)).returning().all().length > 0;
  }
}

/** Read from the file, a token cannot be used: only its hash is kept. It is random, so a plain hash does. */
const tokenHash = (token: string) => createHash('sha256').update(token).digest('hex');
const iso = (ms: number) => new Date(ms).toISOString();

function hashOf(passphrase: string, salt: Buffer, cost: ScryptOptions): Promise<Buffer> {
  // However it was typed, é is é.
  const typed = passphrase.normalize('NFKC');
  return new Promise((resolve, reject) =>
    scrypt(typed, salt, HASH_BYTES, cost, (error, hash) => (error ? reject(error) : resolve(hash))),
  );
}
