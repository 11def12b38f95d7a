import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { OutOfRange, SIGNALS } from '@fernbank/core';
import { asHttpError, HttpError, invalid, notFound } from './errors.ts';
import { isoDate, potShape, signals } from './fields.ts';
import { check } from './validate.ts';

function refusal(run: () => unknown): HttpError {
  try {
    run();
  } catch (error) {
    if (error instanceof HttpError) return error;
    throw error;
  }
  throw new Error('nothing was refused');
}

describe('errors', () => {
  it('carry status, code and field', () => {
    expect(notFound('plant 3')).toMatchObject({ status: 404, code: 'notFound' });
    expect(invalid('date', 'no')).toMatchObject({ status: 422, field: 'date', message: 'no' });
  });
});

describe('what is thrown', () => {
  it('by the core for a value is told; what the language throws is a fault of the program', () => {
    expect(asHttpError(new OutOfRange('rimCm must be positive'))).toMatchObject({
      status: 422,
      field: 'rimCm',
    });
    expect(asHttpError(new RangeError('Invalid array length'))).toBeNull();
    expect(asHttpError(new RangeError('Maximum call stack size exceeded'))).toBeNull();
  });
});

describe('checking', () => {
  const schema = Joi.object<{ a: number; b: string }, true>({
    a: Joi.number().required(),
    b: Joi.string().default('leaf'),
  });

  it('fills in defaults and guesses no types', () => {
    expect(check(schema, { a: 3 })).toEqual({ a: 3, b: 'leaf' });
    expect(refusal(() => check(schema, { a: '3' })).field).toBe('a');
    expect(check(schema, { a: '3' }, true).a).toBe(3);
  });

  it('refuses a text that would be cut where it is kept', () => {
    const list = Joi.object({ items: Joi.array().items(Joi.object({ note: Joi.string() })) });
    const fault = refusal(() => check(list, { items: [{ note: 'ok' }, { note: 'a\0b' }] }));
    expect([fault.status, fault.field]).toEqual([400, 'items.1.note']);
  });

  it('refuses what it does not know, and nothing at all', () => {
    expect(refusal(() => check(schema, { a: 1, c: 2 })).field).toBe('c');
    expect(refusal(() => check(schema, undefined)).field).toBe('body');
    expect(refusal(() => check(schema, null)).field).toBe('body');
    expect(refusal(() => check(schema, 7)).field).toBe('body');
  });

  it('refuses numbers that are none', () => {
    for (const a of [NaN, Infinity, -Infinity]) {
      expect(refusal(() => check(schema, { a })).status).toBe(400);
    }
  });
});

describe('fields', () => {
  it.each(['2026-02-28', '2028-02-29', '1970-01-01'])('%s is a day', (day) => {
    expect(check(isoDate(), day)).toBe(day);
  });

  it.each(['2026-02-29', '2026-2-3', '28.02.2026', '2026-02-28T00:00', ''])(
    '“%s” is no day',
    (day) => {
      expect(refusal(() => check(isoDate(), day)).status).toBe(400);
    },
  );

  it('a pot has the sizes of its shape and no others', () => {
    const cylinder = { shape: 'cylinder', topDiameterCm: 9, heightCm: 9 };
    expect(check(potShape(), cylinder)).toEqual(cylinder);
    expect(refusal(() => check(potShape(), { ...cylinder, baseDiameterCm: 7 })).field).toBe(
      'baseDiameterCm',
    );
    expect(refusal(() => check(potShape(), { ...cylinder, shape: 'square' })).field).toBe(
      'topLengthCm',
    );
    expect(check(potShape({ label: Joi.string() }), { ...cylinder, label: 'x' })).toHaveProperty(
      'label',
    );
  });

  it('every signal of the core is known, with its own values', () => {
    for (const definition of SIGNALS) {
      const values =
        definition.kind === 'share' ? [0, 0.5, 1] : definition.choices.map(({ value }) => value);
      for (const value of values) {
        expect(check(signals(), { [definition.id]: value })).toEqual({ [definition.id]: value });
      }
      expect(refusal(() => check(signals(), { [definition.id]: 'no such thing' })).field).toBe(
        definition.id,
      );
    }
  });
});
