import type { Context } from '../context.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError } from '../http/errors.ts';
import type { Phones } from '../phones/phones.ts';

/** The way in for phones, from the desk. */
export function phoneRoutes(context: Context): DescribedRouter<'/phones'> {
  const routes = new DescribedRouter('/phones');
  const phones = (): Phones => {
    if (!context.phones) throw new HttpError(409, 'noPhones', 'phones cannot be let in here');
    return context.phones;
  };
  routes.get('/', { summary: 'whether phones can come in, and where' }, (_request, response) => {
    response.json(phones().now);
  });
  routes.post(
    '/',
    { summary: 'open Fernbank to phones of the same network', alone: true, status: 200 },
    async (_request, response) => {
      await phones().open();
      response.json(phones().now);
    },
  );
  routes.delete('/', { summary: 'close it to phones', alone: true }, (_request, response) => {
    phones().close();
    response.status(204).end();
  });
  routes.post(
    '/code',
    { summary: 'a code that lets one phone in, once', alone: true },
    async (_request, response) => {
      response.status(201).json(await phones().offer());
    },
  );
  return routes;
}
