import type { Schema } from 'joi';
import { HttpError } from './errors.ts';

/** A schema is made anew by every change to it: each is made required once. */
const required = new WeakMap<Schema, Schema>();
function requiredOf<T>(schema: Schema<T>): Schema<T> {
  let made = required.get(schema);
  if (!made) required.set(schema, (made = schema.required()));
  return made as Schema<T>;
}

/**
 * Checks what came in against its schema, without guessing types: "3" is not 3.
 *
 * @returns the value with defaults filled in
 * @throws HttpError 400 naming the first field that is wrong
 */
export function check<T>(schema: Schema<T>, value: unknown, convert = false): T {
  const result = requiredOf(schema).validate(value, {
    abortEarly: true,
    convert,
    allowUnknown: false,
    errors: { wrap: { label: false } },
  });
  if (!result.error) {
    const at = nulIn(result.value);
    if (at !== null) {
      const field = at.join('.') || 'body';
      throw new HttpError(400, 'invalid', `${field} must not hold the letter NUL`, field);
    }
    return result.value as T;
  }
  const [detail] = result.error.details;
  throw new HttpError(
    400,
    'invalid',
    detail?.message ?? result.error.message,
    detail?.path.join('.') || 'body',
  );
}

/** Where a text ends that SQLite would cut without a word; null: nowhere. */
function nulIn(value: unknown): (string | number)[] | null {
  if (typeof value === 'string') return value.includes('\0') ? [] : null;
  if (typeof value !== 'object' || value === null || Buffer.isBuffer(value)) return null;
  for (const [key, inner] of Object.entries(value)) {
    const within = nulIn(inner);
    if (within) return [key, ...within];
  }
  return null;
}
