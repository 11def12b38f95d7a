import type { Answers } from '../../../server/src/contract.ts';

/** What the server answers with is known by the server's own types: nothing of it is shipped. */
export type * from '../../../server/src/contract.ts';

export type Method = 'GET' | 'POST' | 'PUT' | 'PATCH' | 'DELETE';

/** A path in its parts, without what is asked after it. */
type Parts<Path extends string> = Path extends `${infer Address}?${string}`
  ? Parts<Address>
  : Path extends `${infer First}/${infer Rest}`
    ? [First, ...Parts<Rest>]
    : [Path];

/** Whether a path is one of a route, whose `:id` stands for anything. */
type Fits<Route extends string[], Path extends string[]> = Route extends [
  infer R extends string,
  ...infer Routes extends string[],
]
  ? Path extends [infer P extends string, ...infer Paths extends string[]]
    ? R extends `:${string}`
      ? Fits<Routes, Paths>
      : P extends R
        ? Fits<Routes, Paths>
        : false
    : false
  : Path extends []
    ? true
    : false;

type Route<M extends Method, Path extends string> = {
  [K in keyof Answers]: K extends `${M} ${infer R}`
    ? Fits<Parts<R>, Parts<Path>> extends true
      ? K
      : never
    : never;
}[keyof Answers];

/** The route of a path: `/days/now` is that before it is `/days/:id`. Of several paths, those that are routes. */
type RouteAt<M extends Method, Path extends string> = M extends Method
  ? Path extends string
    ? `${M} ${Path}` extends infer Key extends keyof Answers
      ? Key
      : Route<M, Path>
    : never
  : never;

/** What is answered at a path; a removal answers nothing, and where the contract knows no route, nobody knows. */
export type AnswerAt<M extends Method, Path extends string> = [RouteAt<M, Path>] extends [never]
  ? M extends 'DELETE'
    ? undefined
    : unknown
  : Answers[RouteAt<M, Path>];

/** The rows of a list. */
export type RowAt<Path extends string> =
  AnswerAt<'GET', Path> extends { items: (infer Row)[] } ? Row : unknown;
