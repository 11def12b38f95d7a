import { desc } from 'drizzle-orm';
import { rateLimit, type Options } from 'express-rate-limit';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { devices } from '../db/schema.ts';
import type { Device, Door } from '../door/door.ts';
import { mustSignIn, setToken } from '../door/gate.ts';
import { DescribedRouter } from '../http/described.ts';
import { HttpError, notFound } from '../http/errors.ts';
import { idOf } from '../http/resource.ts';

const WINDOW_MS = 15 * 60 * 1000;
/** Wrong guesses within a quarter of an hour: from one address, and from all together. */
const MOST_GUESSES = 8;
const MOST_GUESSES_OF_ALL = 60;

const passphraseGiven = Joi.object<{ passphrase: string; label: string }, true>({
  passphrase: Joi.string().max(400).required(),
  label: Joi.string().trim().min(1).max(60).default('a browser'),
});

const codeGiven = Joi.object<{ code: string; label: string }, true>({
  code: Joi.string().max(40).required(),
  label: Joi.string().trim().min(1).max(60).default('a phone'),
});

/** By what one comes in from here. */
export type Way = 'passphrase' | 'code';

export type ShownDevice = ReturnType<typeof shown>;
/** A device without what opens the door. */
const shown = ({ id, label, scope, since, seen, until }: Device, hereId: number | null) => ({
  id,
  label,
  scope,
  since,
  seen,
  until,
  here: id === hereId,
});

/** Signing in, and the devices that are. Without a door everyone on this machine is in. */
export function doorRoutes({ db, door, phones }: Context): DescribedRouter {
  const routes = new DescribedRouter();
  const locked = (): Door => {
    if (!door.locked)
      throw new HttpError(409, 'noDoor', 'no passphrase is set, so nobody needs to sign in');
    return door;
  };
  const way: Way = door.locked ? 'passphrase' : 'code';
  routes.get('/door', { summary: 'whether one must sign in' }, (request, response) => {
    const { device = null } = response.locals as { device?: string };
    const needed = mustSignIn(door, request);
    response.json({ needed, signedIn: !needed || device !== null, device, way });
  });

  const guesses = (options: Partial<Options>) =>
    rateLimit({
      windowMs: WINDOW_MS,
      skipSuccessfulRequests: true,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: (_request, response) => {
        response.status(429).json({
          error: {
            code: 'tooMany',
            message: 'too many wrong guesses; wait a quarter of an hour',
          },
        });
      },
      ...options,
    });
  for (const [path, there] of [
    ['/door', door.locked],
    ['/door/code', phones !== null],
  ] as const) {
    if (!there) continue;
    routes.router.post(
      path,
      guesses({ limit: MOST_GUESSES }),
      guesses({ limit: MOST_GUESSES_OF_ALL, keyGenerator: () => 'all' }),
    );
  }
  routes.post(
    '/door',
    { summary: 'sign this device in', body: passphraseGiven, status: 200, alone: true },
    async (request, response, { passphrase, label }) => {
      const token = await locked().open(passphrase, label);
      if (token === null) {
        throw new HttpError(401, 'wrong', 'that is not the passphrase', 'passphrase');
      }
      setToken(request, response, token);
      response.json({ needed: true, signedIn: true, device: label, way });
    },
  );
  routes.post(
    '/door/code',
    {
      summary: 'sign this device in by the code shown at the desk',
      body: codeGiven,
      status: 200,
      alone: true,
    },
    (request, response, { code, label }) => {
      if (!phones?.take(code)) {
        throw new HttpError(
          401,
          'wrongCode',
          'this code was used already, is too old or was mistyped: show a new one at the desk',
          'code',
        );
      }
      setToken(request, response, door.admit(label, 'all'));
      response.json({ needed: true, signedIn: true, device: label, way });
    },
  );
  routes.delete('/door', { summary: 'sign this device out', alone: true }, (request, response) => {
    const { deviceId } = response.locals as { deviceId?: number };
    if (deviceId !== undefined) door.revoke(deviceId);
    setToken(request, response, null);
    response.status(204).end();
  });
  routes.get('/devices', { summary: 'devices that are signed in' }, (_request, response) => {
    const { deviceId = null } = response.locals as { deviceId?: number };
    const items = db.select().from(devices).orderBy(desc(devices.seen)).all();
    response.json({ items: items.map((device) => shown(device, deviceId)) });
  });
  routes.delete(
    '/devices/:id',
    { summary: 'sign a device out', alone: true },
    (request, response) => {
      if (!door.revoke(idOf(request))) throw notFound('this device');
      response.status(204).end();
    },
  );
  routes.post(
    '/devices/calendar',
    { summary: 'an address for a calendar program, with a key of its own', alone: true },
    (request, response) => {
      const key = locked().admit('a calendar program', 'calendar');
      const address = `${request.protocol}://${request.get('host') ?? ''}`;
      response.status(201).json({ address: `${address}/api/tasks/calendar.ics?key=${key}` });
    },
  );
  return routes;
}
