import { parse, serialize } from 'cookie';
import type { IncomingMessage } from 'node:http';
import type { Request, RequestHandler, Response } from 'express';
import { HttpError } from '../http/errors.ts';
import { isLoopback } from '../place.ts';
import { DEVICE_DAYS, type Device, type Door } from './door.ts';

/** Browsers keep cookies of every port together: what HTTPS set must not stand in the way of plain HTTP. */
const cookieOf = ({ secure }: Request) => (secure ? '__Host-fernbank' : 'fernbank_device');
/** What a device that has not signed in may ask: whether it must, and to do so. */
const OPEN = new Set(['GET /health', 'GET /door', 'POST /door', 'POST /door/code']);
const CALENDAR = '/tasks/calendar.ics';
const READS = new Set(['GET', 'HEAD']);

/**
 * Refuses what another site makes a browser send. A page of elsewhere can make one post a form or
 * send an image here; it cannot pass for this site.
 */
export const sameSite: RequestHandler = (request, _response, next) => {
  if (!READS.has(request.method) && !fromHere(request)) {
    throw new HttpError(403, 'crossOrigin', 'writes are only taken from Fernbank’s own pages');
  }
  // It could not read the answer, but it could have the server work for it.
  if (request.get('Sec-Fetch-Site') === 'cross-site') {
    throw new HttpError(403, 'crossOrigin', 'another site may not ask Fernbank for anything');
  }
  next();
};

function fromHere(request: Request): boolean {
  const site = request.get('Sec-Fetch-Site');
  if (site !== undefined && site !== 'same-origin' && site !== 'none') return false;
  const origin = request.get('Origin');
  // A program that is no browser names no origin, and holds no one else's cookies.
  if (origin === undefined) return true;
  if (!URL.canParse(origin)) return false;
  const { protocol, host } = new URL(origin);
  // Behind a proxy that speaks HTTPS for it, this side is plain; the other way round is another site.
  const schemes = request.secure ? ['https:'] : ['https:', 'http:'];
  return schemes.includes(protocol) && host === request.get('Host');
}

const fromPhones = new WeakSet<IncomingMessage>();
/** What came in by the way that is opened for phones is let in as if there were a passphrase. */
export const cameByPhones = (request: IncomingMessage): void => void fromPhones.add(request);

/** Whether a device must have signed in to ask this. */
export const mustSignIn = (door: Door, request: IncomingMessage): boolean =>
  door.locked || fromPhones.has(request);

/** Lets in who may come in. */
export function gate(door: Door): RequestHandler {
  const asked = signedIn(door);
  return (request, response, next) =>
    (mustSignIn(door, request) ? asked : onlyLoopbackNames)(request, response, next);
}

/**
 * Without a passphrase only this machine's own names are answered: a name of elsewhere that was
 * made to point here would otherwise read the collection from a page in the keeper's browser.
 */
const onlyLoopbackNames: RequestHandler = (request, _response, next) => {
  const host = request.get('Host') ?? '';
  const name = URL.canParse(`http://${host}`) ? new URL(`http://${host}`).hostname : '';
  if (!isLoopback(name.replace(/^\[|\]$/g, ''))) {
    throw new HttpError(421, 'wrongHost', 'open Fernbank as 127.0.0.1 or localhost');
  }
  next();
};

/** Lets only signed-in devices through, and says who it is. */
function signedIn(door: Door): RequestHandler {
  return (request, response, next) => {
    const device = deviceFor(door, request);
    if (device) {
      response.locals.device = device.label;
      response.locals.deviceId = device.id;
    } else if (!OPEN.has(`${request.method} ${request.path}`)) {
      throw new HttpError(401, 'signIn', 'this device has not signed in');
    }
    next();
  };
}

function deviceFor(door: Door, request: Request): Device | null {
  const token = parse(request.get('Cookie') ?? '')[cookieOf(request)];
  const device = token ? door.deviceOf(token) : null;
  if (device?.scope === 'all') return device;
  // A calendar program cannot sign in: its address carries its own key, for this one thing.
  const { key } = request.query;
  if (request.path === CALENDAR && READS.has(request.method) && typeof key === 'string') {
    return door.deviceOf(key);
  }
  return null;
}

/** No script can read it, no other site can make a browser send it. */
export function setToken(request: Request, response: Response, token: string | null): void {
  response.append(
    'Set-Cookie',
    serialize(cookieOf(request), token ?? '', {
      httpOnly: true,
      sameSite: 'strict',
      secure: request.secure,
      path: '/',
      maxAge: token === null ? 0 : DEVICE_DAYS * 86_400,
    }),
  );
}
