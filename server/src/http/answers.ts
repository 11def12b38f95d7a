import type { Answers, Files } from '../contract.ts';

export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/**
 * What a route answers with; one that the contract does not name answers with nothing. Where a router
 * stands may not be known where it is filled: what is answered there is checked by who fills it.
 */
export type AnswerOf<M extends Method, At extends string, Path extends string> = string extends At
  ? unknown
  : Named<`${M} ${At}${Path extends '/' ? '' : Path}`>;
type Named<Key> = Key extends keyof Answers
  ? Answers[Key]
  : Key extends keyof Files
    ? Files[Key]
    : never;

/** How a row of a resource is shown. */
export type ShownAt<At extends string> =
  AnswerOf<'GET', At, '/:id'> extends infer Shown extends { id: unknown; rev: number }
    ? Shown
    : { id: number; rev: number };
