import { Router, type Request, type Response } from 'express';
import type { Schema } from 'joi';
import { check } from './validate.ts';

/** What the API's description says of one operation. Its schemas are the ones that check requests. */
export interface Described<Body> {
  summary: string;
  body?: Schema<Body>;
  /** query parameters beside those that are read by `page` */
  query?: Schema;
  /** status of the answer, 200 when absent */
  status?: 200 | 201 | 204;
  /** a body that works: the description shows it with the answer it really gets */
  example?: Body;
  /** works out the answer to a body, where that needs nothing but the body; or a promise of it */
  sum?: (body: Body) => unknown;
}

export interface Operation extends Described<never> {
  method: 'get' | 'post' | 'put' | 'patch' | 'delete';
  /** as Express writes it, below the router's own place */
  path: string;
}

type Handler<Body> = (request: Request, response: Response, body: Body) => void | Promise<void>;

/**
 * A router whose operations carry their schema: what is described is what is
 * checked, so that the two cannot drift.
 */
export class DescribedRouter {
  readonly router = Router();
  readonly operations: Operation[] = [];

  get(path: string, what: Described<undefined>, handler: Handler<undefined>): void {
    this.add('get', path, what, handler);
  }
  post<Body>(path: string, what: Described<Body>, handler: Handler<Body>): void {
    this.add('post', path, { status: 201, ...what }, handler);
  }
  patch<Body>(path: string, what: Described<Body>, handler: Handler<Body>): void {
    this.add('patch', path, what, handler);
  }
  put<Body>(path: string, what: Described<Body>, handler: Handler<Body>): void {
    this.add('put', path, what, handler);
  }
  delete(path: string, what: Described<undefined>, handler: Handler<undefined>): void {
    this.add('delete', path, { status: 204, ...what }, handler);
  }
  /** A stateless sum: posted, answered with 200, nothing kept. */
  calculator<Body>(
    path: string,
    what: Described<Body> & Required<Pick<Described<Body>, 'body' | 'sum'>>,
  ): void {
    this.add('post', path, what, async (_request, response, body) => {
      response.json(await what.sum(body));
    });
  }

  private add<Body>(
    method: Operation['method'],
    path: string,
    what: Described<Body>,
    handler: Handler<Body>,
  ): void {
    this.operations.push({ ...(what as Described<never>), method, path });
    this.router[method](path, (request, response) =>
      handler(request, response, what.body ? check(what.body, request.body) : (undefined as Body)),
    );
  }
}
