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
  if (!result.error) return result.value as T;
  const [detail] = result.error.details;
  throw new HttpError(
    400,
    'invalid',
    detail?.message ?? result.error.message,
    detail?.path.join('.') || 'body',
  );
}
