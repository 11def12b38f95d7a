import { createHash, randomInt, timingSafeEqual } from 'node:crypto';

/** Letters that are not taken for one another when they are typed. @source Crockford, Base 32 */
const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';
/** 40 bits: with the guesses that the door allows, one in ten billion. */
const LENGTH = 8;
/** Time enough to have the phone trust a certificate. */
const LASTS_MS = 15 * 60 * 1000;

/** A code that lets one device in, once, for a while. Only the newest is worth anything. */
export class Pairing {
  #open: { hash: Buffer; until: number } | null = null;

  constructor(private readonly now: () => number = Date.now) {}

  /** @returns the code, and until when it can be used, ms */
  offer(): { code: string; until: number } {
    const code = Array.from({ length: LENGTH }, () => LETTERS[randomInt(LETTERS.length)]).join('');
    const until = this.now() + LASTS_MS;
    this.#open = { hash: hashOf(code), until };
    return { code, until };
  }

  /** Uses a code up. @returns whether it was worth something */
  take(given: string): boolean {
    const open = this.#open;
    if (!open || open.until <= this.now() || !timingSafeEqual(hashOf(read(given)), open.hash)) {
      return false;
    }
    this.#open = null;
    return true;
  }

  /** Whatever was offered is worth nothing any more. */
  withdraw(): void {
    this.#open = null;
  }
}

/** As it may be typed: with gaps, in small letters, O for 0, I and L for 1. */
const read = (given: string) =>
  given
    .toUpperCase()
    .replace(/[^0-9A-Z]/g, '')
    .replaceAll('O', '0')
    .replace(/[IL]/g, '1');
const hashOf = (code: string) => createHash('sha256').update(code).digest();
