import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { isNull, sql } from 'drizzle-orm';
import express, { type Express } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Context } from './context.ts';
import { plants } from './db/schema.ts';
import { gate, sameSite } from './door/gate.ts';
import { answered } from './http/answered.ts';
import { errorHandler, unknownRoute } from './http/errors.ts';
import { WRITTEN_OF } from './logging.ts';
import { apiDocument, type ApiDocument } from './openapi/document.ts';
import { apiPage } from './openapi/page.ts';
import { calculatorRoutes } from './routes/calculators.ts';
import { componentRoutes } from './routes/components.ts';
import { recipeRoutes } from './routes/recipes.ts';
import { plantRoutes } from './routes/plants.ts';
import { copyRoutes } from './routes/copies.ts';
import { demoRoutes } from './routes/demo.ts';
import { doorRoutes } from './routes/door.ts';
import { historyRoutes } from './routes/history.ts';
import { importRoutes } from './routes/importing.ts';
import { fittingRoutes } from './routes/fitting.ts';
import { dayRoutes } from './routes/days.ts';
import { benchRoutes } from './routes/benches.ts';
import { outcomeRoutes, workedRoutes } from './routes/outcomes.ts';
import { reservoirRoutes } from './routes/reservoirs.ts';
import { batchRoutes } from './routes/tray.ts';
import { potRoutes, supportRoutes } from './routes/shelf.ts';
import { phoneRoutes } from './routes/phones.ts';
import { photoRoutes } from './routes/photos.ts';
import {
  lookRoutes,
  measurementRoutes,
  overruleRoutes,
  repotRoutes,
  taskRoutes,
} from './routes/records.ts';
import { textOf } from './threads/thread.ts';
import { visitRoutes } from './routes/visits.ts';
import { spotRoutes } from './routes/spots.ts';
import { catalogueRoutes, settingsRoutes, viewRoutes } from './routes/views.ts';

const LARGEST_BODY = '1mb';
/** What is sent to these is a file, or holds files: they read their bodies themselves. */
const FILES = /^\/(photos|backup|imports|visits)\/?$/;
const YEAR_MS = 365 * 86_400_000;

/** Requests of the API, one line each when they have ended. */
export const logged = (logger: Logger) =>
  pinoHttp({
    logger,
    serializers: WRITTEN_OF,
    wrapSerializers: false,
    autoLogging: { ignore: ({ url }) => !url?.startsWith('/api') },
  });

/**
 * The whole of Fernbank's HTTP: the API under `/api`, the interface elsewhere.
 *
 * @param webFolder  the built interface; without it only the API answers
 */
export function createApp(context: Context, logger: Logger, webFolder?: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.set('query parser', 'simple');
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          // The solver is WebAssembly; no script is ever evaluated from text.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          // Vuetify writes its theme as a style element; scripts stay strict.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          workerSrc: ["'self'", 'blob:'],
          objectSrc: ["'none'"],
          frameAncestors: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
        },
      },
      // Fernbank is served in plain HTTP on the keeper's own machine.
      strictTransportSecurity: false,
    }),
  );
  app.use(logged(logger));
  app.use('/api', api(context));
  if (webFolder && existsSync(webFolder)) serveInterface(app, webFolder);
  app.use(errorHandler);
  return app;
}

function api(context: Context): express.Router {
  const routes = express.Router();
  const json = express.json({ limit: LARGEST_BODY, strict: true });
  routes.use(sameSite);
  routes.use(gate(context.door));
  routes.use((request, response, next) =>
    FILES.test(request.path) ? next() : json(request, response, next),
  );
  routes.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  routes.get('/health', (_request, response) => {
    const count = context.db
      .select({ count: sql<number>`count(*)` })
      .from(plants)
      .where(isNull(plants.goneOn))
      .get()!.count;
    response.json({ status: 'ok', version: context.version, plants: count });
  });
  const places = [
    calculatorRoutes(),
    viewRoutes(context),
    plantRoutes(context),
    spotRoutes(context),
    potRoutes(context),
    supportRoutes(context),
    componentRoutes(context),
    recipeRoutes(context),
    fittingRoutes(context),
    visitRoutes(context),
    lookRoutes(context),
    measurementRoutes(context),
    repotRoutes(context),
    taskRoutes(context),
    overruleRoutes(context),
    outcomeRoutes(context),
    workedRoutes(context),
    benchRoutes(context),
    dayRoutes(context),
    reservoirRoutes(context),
    batchRoutes(context),
    photoRoutes(context),
    settingsRoutes(context),
    demoRoutes(context),
    doorRoutes(context),
    phoneRoutes(context),
    historyRoutes(context),
    importRoutes(context),
    copyRoutes(context),
    catalogueRoutes(),
  ];
  const around = answered(context.journal);
  const { sums } = context;
  for (const described of places) {
    described.around = around;
    if (sums)
      described.apart = (path, body, signal) =>
        sums.ask(() => ({ path, body }), { signal }).then(textOf);
    routes.use(described.at || '/', described.router);
  }
  // Made when first asked for: its examples are worked out by the core.
  let made: Promise<ApiDocument> | null = null;
  const document = () => (made ??= apiDocument(places, context.version));
  routes.get('/openapi.json', async (_request, response) => {
    response.json(await document());
  });
  routes.get('/docs', async (_request, response) => {
    response.type('html').send(apiPage(await document()));
  });
  routes.use(unknownRoute);
  return routes;
}

function serveInterface(app: Express, folder: string): void {
  app.use(
    '/assets',
    express.static(join(folder, 'assets'), {
      immutable: true,
      maxAge: YEAR_MS,
      fallthrough: false,
    }),
  );
  app.use(express.static(folder, { index: false }));
  // Every other address is a view of the interface. Named below its root: folders above may begin with a dot.
  app.get('/{*view}', (_request, response) => response.sendFile('index.html', { root: folder }));
}
