import { desc } from 'drizzle-orm';
import { rateLimit, type Options } from 'express-rate-limit';
import Joi from 'joi';
import type { Context } from '../context.ts';
import { devices } from '../db/schema.ts';
import type { Device, Door } from '../door/door.ts';
import { setToken } from '../door/gate.ts';
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
export function doorRoutes({ db, door }: Context): DescribedRouter {
  const routes = new DescribedRouter();
  const ofDoor = (): Door => {
    if (!door)
      throw new HttpError(409, 'noDoor', 'no passphrase is set, so nobody needs to sign in');
    return door;
  };
  routes.get('/door', { summary: 'whether a passphrase is needed' }, (_request, response) => {
    const { device = null } = response.locals as { device?: string };
    response.json({ needed: door !== null, signedIn: door === null || device !== null, device });
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
            message: 'too many wrong passphrases; wait a quarter of an hour',
          },
        });
      },
      ...options,
    });
  if (door) {
    routes.router.post(
      '/door',
      guesses({ limit: MOST_GUESSES }),
      guesses({ limit: MOST_GUESSES_OF_ALL, keyGenerator: () => 'all' }),
    );
  }
  routes.post(
    '/door',
    { summary: 'sign this device in', body: passphraseGiven, status: 200, alone: true },
    async (request, response, { passphrase, label }) => {
      const token = await ofDoor().open(passphrase, label);
      if (token === null) {
        throw new HttpError(401, 'wrong', 'that is not the passphrase', 'passphrase');
      }
      setToken(request, response, token);
      response.json({ needed: true, signedIn: true, device: label });
    },
  );
  routes.delete('/door', { summary: 'sign this device out', alone: true }, (request, response) => {
    const { deviceId } = response.locals as { deviceId?: number };
    if (deviceId !== undefined) ofDoor().revoke(deviceId);
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
      if (!ofDoor().revoke(idOf(request))) throw notFound('this device');
      response.status(204).end();
    },
  );
  routes.post(
    '/devices/calendar',
    { summary: 'an address for a calendar program, with a key of its own', alone: true },
    (request, response) => {
      const key = ofDoor().admit('a calendar program', 'calendar');
      const address = `${request.protocol}://${request.get('host') ?? ''}`;
      response.status(201).json({ address: `${address}/api/tasks/calendar.ics?key=${key}` });
    },
  );
  return routes;
}
