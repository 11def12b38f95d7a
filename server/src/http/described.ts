import { METRIC, spokenOut } from '@fernbank/core';
import { Router, type Request, type Response } from 'express';
import type { Schema } from 'joi';
import type { DeedKind } from '../db/history.ts';
import type { AnswerOf } from './answers.ts';
import { check } from './validate.ts';

/** What the API's description says of one operation. Its schemas are the ones that check requests. */
export interface Described<Body> {
  summary: string;
  body?: Schema<Body>;
  /** a body that may be left out: then it is an empty one */
  bodyOptional?: boolean;
  /** query parameters beside those that are read by `page` */
  query?: Schema;
  /** status of the answer, 200 when absent */
  status?: 200 | 201 | 204;
  /** a body that works: the description shows it with the answer it really gets */
  example?: Body;
  /** a write: what the history calls it, where the summary says too much */
  kind?: DeedKind;
  /** a write that keeps its own transaction and tells the history itself */
  alone?: boolean;
  /** waited for before a write begins, which itself must not wait: solvers are loaded, the collection is read */
  ready?: (request: Request, body: Body) => Promise<unknown>;
  /** works out the answer to a body, where that needs nothing but the body; or a promise of it */
  sum?: (body: Body) => unknown;
  /** a sum that can take seconds: worked out where it keeps nobody waiting */
  heavy?: boolean;
}

export interface Operation extends Described<never> {
  /** by which the history knows it: `PATCH /plants/:id` */
  key: string;
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** as Express writes it, below the router's own place */
  path: string;
}

type Handler<Body, Answer = unknown> = (
  request: Request,
  response: Response<Answer>,
  body: Body,
  /** what `ready` came to */
  ready?: unknown,
) => void | Promise<void>;
/** A write does not wait, unless it is `alone`: its transaction would stand open meanwhile. */
type WriteHandler<Body, Answer, Ready = unknown> = (
  request: Request,
  response: Response<Answer>,
  body: Body,
  ready: Ready,
) => void;

/** Runs a write: as one transaction, remembered, answered once it stands. */
export type Around = (
  operation: Operation,
  request: Request,
  response: Response,
  run: () => void,
) => void | Promise<void>;

const summaries = new Map<string, string>();
/** What an operation does, by its key; what is none, as it is. */
export const summaryOf = (key: string): string => summaries.get(key) ?? key;

/**
 * A router whose operations carry their schema: what is described is what is
 * checked, so that the two cannot drift.
 */
export class DescribedRouter<At extends string = ''> {
  readonly router = Router();
  readonly operations: Operation[] = [];
  /** what stands around every write; set where the router is mounted */
  around: Around = (_operation, _request, _response, run) => run();
  /** where heavy sums are worked out, answering in JSON; null: here */
  apart: ((path: string, body: unknown, signal: AbortSignal) => Promise<string>) | null = null;

  /** @param at  where it is mounted: by it and a path the contract knows what is answered */
  constructor(readonly at: At = '' as At) {}

  get<P extends string>(
    path: P,
    what: Described<undefined>,
    handler: Handler<undefined, AnswerOf<'GET', At, P>>,
  ): void {
    this.add('get', path, what, handler as Handler<undefined>);
  }
  post<P extends string, Body>(
    path: P,
    what: Described<Body> & { alone: true },
    handler: Handler<Body, AnswerOf<'POST', At, P>>,
  ): void;
  post<P extends string, Body, Ready = unknown>(
    path: P,
    what: Described<Body> & { ready?: (request: Request, body: Body) => Promise<Ready> },
    handler: WriteHandler<Body, AnswerOf<'POST', At, P>, Ready>,
  ): void;
  // What each overload is held to, its implementation is not.
  // Each overload holds its caller to more than is needed here.
  post(path: string, what: object, handler: unknown): void {
    const described = { status: 201, ...what } as Described<unknown>;
    this.add('post', path, described, handler as Handler<unknown>);
  }
  patch<P extends string, Body>(
    path: P,
    what: Described<Body>,
    handler: WriteHandler<Body, AnswerOf<'PATCH', At, P>>,
  ): void {
    this.add('patch', path, what, handler as Handler<Body>);
  }
  put<P extends string, Body>(
    path: P,
    what: Described<Body>,
    handler: WriteHandler<Body, AnswerOf<'PUT', At, P>>,
  ): void {
    this.add('put', path, what, handler as Handler<Body>);
  }
  delete(
    path: string,
    what: Described<undefined>,
    handler: WriteHandler<undefined, unknown>,
  ): void {
    this.add('delete', path, { status: 204, ...what }, handler);
  }
  /** A stateless sum: posted, answered with 200, nothing kept; its sentences are written out in metric. */
  calculator<Body>(
    path: string,
    what: Described<Body> & Required<Pick<Described<Body>, 'body' | 'sum'>>,
  ): void {
    const sum = async (body: Body) => spokenOut(await what.sum(body), METRIC);
    this.describe('post', path, { ...what, sum });
    this.router.post(path, async (request, response) => {
      const body = check(what.body, request.body);
      if (!what.heavy || !this.apart) return void response.json(await sum(body));
      const gone = new AbortController();
      response.on('close', () => gone.abort());
      response.type('json').send(await this.apart(path, body, gone.signal));
    });
  }

  private add<Body>(
    method: Operation['method'],
    path: string,
    what: Described<Body>,
    handler: Handler<Body>,
  ): void {
    const operation = this.describe(method, path, what);
    this.router[method](path, async (request, response) => {
      const given: unknown = request.body ?? (what.bodyOptional ? {} : undefined);
      const body = what.body ? check(what.body, given) : (undefined as Body);
      if (method === 'get') return handler(request, response, body);
      const ready = await what.ready?.(request, body);
      if (what.alone) return handler(request, response, body);
      await this.around(
        operation,
        request,
        response,
        () => void handler(request, response, body, ready),
      );
    });
  }

  private describe<Body>(
    method: Operation['method'],
    path: string,
    what: Described<Body>,
  ): Operation {
    const key = `${method.toUpperCase()} ${this.at}${path === '/' && this.at !== '' ? '' : path}`;
    const operation: Operation = { ...(what as unknown as Described<never>), key, method, path };
    summaries.set(key, what.summary);
    this.operations.push(operation);
    return operation;
  }
}
