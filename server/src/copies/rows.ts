import type { Readable } from 'node:stream';
import Assembler from 'stream-json/assembler.js';
import { parser } from 'stream-json';

/** A part of a backup, in the order in which it stands there. */
export type Part =
  | { kind: 'head'; name: string; value: unknown }
  | { kind: 'row'; table: string; row: Record<string, unknown> };

/** Nothing that a keeper wrote is nested so deep. */
const DEEPEST = 40;
/** A day laid out for four hundred plants is a tenth of it. */
const LARGEST_ROW_TOKENS = 2_000_000;

/** Whole keys, texts and numbers, each as one token. */
const WHOLE = { streamKeys: false, streamStrings: false, streamNumbers: false };

/**
 * Reads `fernbank.json` row by row, however large it is and however it is laid out: no more than one
 * row is in memory at a time.
 *
 * @throws Error when it is no JSON, is nested too deep, or has rows that are none
 */
export async function* partsOfBackup(json: Readable): AsyncGenerator<Part> {
  const tokens = json.pipe(parser.asStream(WHOLE));
  json.once('error', (error) => tokens.destroy(error));
  const place = new Place();
  for await (const token of tokens as AsyncIterable<parser.Token>) {
    const part = place.next(token);
    if (part) yield part;
  }
}

/** Where the reading stands: at the head, at a table's name, or within a row. */
class Place {
  #depth = 0;
  #key = '';
  #table: string | null = null;
  #inTables = false;
  #value: Assembler | null = null;
  #tokens = 0;

  next(token: parser.Token): Part | null {
    if (this.#value) return this.#within(token, this.#value);
    switch (token.name) {
      case 'keyValue':
        this.#key = token.value;
        return null;
      case 'startObject':
        if (this.#depth === 0 || (this.#depth === 1 && this.#key === 'tables')) {
          this.#inTables = this.#depth === 1;
          this.#depth += 1;
          return null;
        }
        return this.#begin(token);
      case 'startArray':
        if (this.#inTables && this.#table === null) {
          this.#table = this.#key;
          return null;
        }
        return this.#begin(token);
      case 'endArray':
        this.#table = null;
        return null;
      case 'endObject':
        this.#depth -= 1;
        this.#inTables = false;
        return null;
      default:
        return this.#begin(token);
    }
  }

  #begin(token: parser.Token): Part | null {
    if (this.#depth === 0) throw new Error('it is no JSON object');
    if (this.#inTables && this.#table === null) throw new Error(`${this.#key} is no list of rows`);
    if (this.#table !== null && token.name !== 'startObject') {
      throw new Error(`${this.#table} holds something that is no row`);
    }
    this.#value = new Assembler();
    this.#tokens = 0;
    return this.#within(token, this.#value);
  }

  #within(token: parser.Token, value: Assembler): Part | null {
    value.consume(token);
    this.#tokens += 1;
    if (value.depth > DEEPEST || this.#tokens > LARGEST_ROW_TOKENS) {
      throw new Error('it holds a value that is larger than any of Fernbank’s');
    }
    if (!value.done) return null;
    this.#value = null;
    const current: unknown = value.current;
    return this.#table === null
      ? { kind: 'head', name: this.#key, value: current }
      : { kind: 'row', table: this.#table, row: current as Record<string, unknown> };
  }
}
