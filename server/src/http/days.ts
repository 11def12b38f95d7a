import type { IsoDate } from '@fernbank/core';
import type { Request } from 'express';
import Joi from 'joi';
import type { Db } from '../db/driver.ts';
import { invalid } from './errors.ts';
import { isoDate } from './fields.ts';
import { check } from './validate.ts';

/** What is needed to read a collection as of its keeper's day. */
export interface Reading {
  db: Db;
  /** the keeper's calendar day; a fixed one in tests */
  today(): IsoDate;
}

/** A day of the record cannot lie ahead. */
export function notAhead(context: Pick<Reading, 'today'>, field: string, date: IsoDate): IsoDate {
  const today = context.today();
  if (date > today) {
    throw invalid(field, `${field} must not be in the future (today is ${today}), got ${date}`);
  }
  return date;
}

export const dayQuery = Joi.object<{ date?: IsoDate }, true>({ date: isoDate() });

/** The optional `?date=` of a view, today when absent. @throws HttpError 400 when it is no day */
export function asOf(context: Pick<Reading, 'today'>, request: Request): IsoDate {
  const { date } = request.query;
  return check(dayQuery, { date }).date ?? context.today();
}
