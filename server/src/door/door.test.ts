import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import request from 'supertest';
import { CHEAP_GUESS, guardedApp, testApp, type TestApp } from '../testApp.ts';
import { Door } from './door.ts';

const PASSPHRASE = 'three mossy ferry ropes';
let now = Date.parse('2026-03-16T10:00:00Z');
let app: TestApp;
beforeEach(async () => {
  now = Date.parse('2026-03-16T10:00:00Z');
  app = await guardedApp(PASSPHRASE, () => now);
});
afterEach(() => app.close());

const signIn = (passphrase: unknown, of = app) =>
  of.call.post('/api/door').send({ passphrase, label: 'the phone' } as object);
const cookieOf = (answer: request.Response) => answer.get('Set-Cookie')![0]!.split(';')[0]!;
const plants = (cookie?: string, of = app) => {
  const asked = of.call.get('/api/plants');
  return cookie ? asked.set('Cookie', cookie) : asked;
};

describe('behind the door', () => {
  it('nothing is read, written or streamed without signing in', async () => {
    for (const path of [
      '/plants',
      '/rounds',
      '/backup',
      '/history',
      '/tables/plants.csv',
      '/photos/1',
      '/openapi.json',
      '/tasks/calendar.ics',
      '/events',
      '/devices',
    ]) {
      const { status, body } = await app.call.get(`/api${path}`);
      expect([path, status, body.error?.code]).toEqual([path, 401, 'signIn']);
    }
    for (const path of ['/plants', '/backup', '/copies', '/settings', '/calc/pot']) {
      expect([path, (await app.call.post(`/api${path}`).send({})).status]).toEqual([path, 401]);
    }
    await app.call.get('/api/health').expect(200);
    expect((await app.call.get('/api/door')).body).toEqual({
      needed: true,
      signedIn: false,
      device: null,
      way: 'passphrase',
    });
  });

  it('the passphrase lets a device in, by a cookie that no script and no other site can use', async () => {
    const answer = await signIn(PASSPHRASE).expect(200);
    const [header] = answer.get('Set-Cookie')!;
    expect(header).toMatch(/HttpOnly/);
    expect(header).toMatch(/SameSite=Strict/);
    expect(header).toMatch(/Path=\//);
    await plants(cookieOf(answer)).expect(200);
    const { body } = await app.call.get('/api/devices').set('Cookie', cookieOf(answer));
    expect(body.items).toMatchObject([{ label: 'the phone', here: true }]);
    expect(JSON.stringify(body)).not.toContain(cookieOf(answer).split('=')[1]);
  });

  it.each([
    ['a wrong one', 'three mossy ferry rope', 401],
    ['an empty one', '', 400],
    ['none', undefined, 400],
    ['a list', [PASSPHRASE], 400],
    ['an object', { $ne: '' }, 400],
    ['a long one', 'x'.repeat(401), 400],
  ])('%s is refused by its field', async (_what, passphrase, status) => {
    const answer = await signIn(passphrase);
    expect([answer.status, answer.body.error.field]).toEqual([status, 'passphrase']);
    expect(answer.get('Set-Cookie')).toBeUndefined();
  });

  it('it is the same passphrase however its letters were put together', async () => {
    const accented = await guardedApp('caf\u00e9 on the quay');
    try {
      await signIn('cafe\u0301 on the quay', accented).expect(200);
    } finally {
      accented.close();
    }
  });

  it.each([
    ['a made up one', 'fernbank_device=AAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAAA'],
    ['an empty one', 'fernbank_device='],
    ['a broken one', 'fernbank_device=%E0%A4%A'],
  ])('%s for a cookie is refused', async (_what, cookie) => {
    await plants(cookie).expect(401);
  });

  it('a cookie is worth nothing once its device is signed out: replayed, it is refused', async () => {
    const cookie = cookieOf(await signIn(PASSPHRASE));
    await app.call.delete('/api/door').set('Cookie', cookie).expect(204);
    await plants(cookie).expect(401);
  });

  it('a lost phone is signed out from another device', async () => {
    const lost = cookieOf(await signIn(PASSPHRASE));
    const here = cookieOf(await signIn(PASSPHRASE));
    const { items } = (await app.call.get('/api/devices').set('Cookie', here)).body;
    const other = items.find((device: { here: boolean }) => !device.here);
    await app.call.delete(`/api/devices/${other.id}`).set('Cookie', here).expect(204);
    await plants(lost).expect(401);
    await plants(here).expect(200);
  });

  it('a device is forgotten after sixty days, to the second', async () => {
    const cookie = cookieOf(await signIn(PASSPHRASE));
    now += 60 * 86_400_000 - 1000;
    await plants(cookie).expect(200);
    now += 1001;
    await plants(cookie).expect(401);
  });

  it('what the file keeps cannot be used to come in', async () => {
    await signIn(PASSPHRASE);
    const hash = String(app.file.value('SELECT token_hash FROM devices'));
    await plants(`fernbank_device=${hash}`).expect(401);
    const kept = JSON.stringify(app.file.rows('SELECT * FROM door'));
    expect(kept).not.toContain(PASSPHRASE);
  });

  it('guessing ends after eight, also for who would guess right next; others are not locked out for it', async () => {
    for (let i = 0; i < 8; i++) await signIn(`guess number ${i}`).expect(401);
    const ninth = await signIn(PASSPHRASE);
    expect([ninth.status, ninth.body.error.code]).toEqual([429, 'tooMany']);
    const other = await guardedApp(PASSPHRASE);
    await signIn(PASSPHRASE, other).expect(200);
    other.close();
  });

  it('another passphrase signs every device out; the same one does not', async () => {
    const cookie = cookieOf(await signIn(PASSPHRASE));
    await Door.hang(app.file.db, PASSPHRASE, () => now, CHEAP_GUESS);
    await plants(cookie).expect(200);
    await Door.hang(app.file.db, 'another passphrase', () => now);
    await plants(cookie).expect(401);
  });

  it('opens to its passphrase alone at the full cost of a guess', async () => {
    const door = await Door.hang(app.file.db, 'another passphrase', () => now);
    expect(await door.open('another passphrase', 'the phone')).not.toBeNull();
    expect(await door.open('yet another one', 'the phone')).toBeNull();
  });

  it('a short passphrase is not hung at all', async () => {
    await expect(Door.hang(app.file.db, 'short')).rejects.toThrow(/at least 10 characters/);
  });

  it('a calendar program reads the calendar by its key, and nothing else', async () => {
    const cookie = cookieOf(await signIn(PASSPHRASE));
    const { body } = await app.call.post('/api/devices/calendar').set('Cookie', cookie).expect(201);
    const { pathname, search } = new URL(body.address);
    await app.call.get(pathname + search).expect(200);
    await app.call.get(`/api/plants${search}`).expect(401);
    await plants(`fernbank_device=${search.split('=')[1]}`).expect(401);
    const { items } = (await app.call.get('/api/devices').set('Cookie', cookie)).body;
    const feed = items.find(({ scope }: { scope: string }) => scope === 'calendar');
    await app.call.delete(`/api/devices/${feed.id}`).set('Cookie', cookie).expect(204);
    await app.call.get(pathname + search).expect(401);
  });

  it('the history says which device did it', async () => {
    const cookie = cookieOf(await signIn(PASSPHRASE));
    await app.call
      .post('/api/spots')
      .set('Cookie', cookie)
      .send({ name: 'Sill', latitudeDeg: 54 })
      .expect(201);
    const { items } = (await app.call.get('/api/history').set('Cookie', cookie)).body;
    expect(items[0].device).toBe('the phone');
  });
});

describe('another site', () => {
  const write = (headers: Record<string, string>, of = open) =>
    of.call.post('/api/spots').set(headers).send({ name: 'Sill', latitudeDeg: 54 });
  let open: TestApp;
  beforeEach(() => (open = testApp()));
  afterEach(() => open.close());

  it.each([
    ['from elsewhere', { Origin: 'http://elsewhere.example' }],
    ['from another port', { Origin: 'http://127.0.0.1:1' }],
    ['from a sandbox', { Origin: 'null' }],
    ['by a form of another site', { 'Sec-Fetch-Site': 'cross-site' }],
    ['by a neighbour of the site', { 'Sec-Fetch-Site': 'same-site' }],
    ['with a malformed origin', { Origin: 'nonsense' }],
    ['with an origin without a scheme', { Origin: '127.0.0.1' }],
    ['with an origin of another scheme', { Origin: 'ftp://127.0.0.1' }],
  ])('cannot write %s', async (_how, headers) => {
    const { status, body } = await write(headers as unknown as Record<string, string>);
    expect([status, body.error.code]).toEqual([403, 'crossOrigin']);
    expect((await open.call.get('/api/spots')).body.items).toEqual([]);
  });

  it('cannot have a backup made, nor anything else read, by a page it opens', async () => {
    for (const path of ['/api/backup', '/api/plants', '/api/tasks/calendar.ics']) {
      const { status } = await open.call.get(path).set('Sec-Fetch-Site', 'cross-site');
      expect(status, path).toBe(403);
    }
    // A calendar program is no page: it says nothing of sites.
    await open.call.get('/api/tasks/calendar.ics').expect(200);
  });

  it('cannot write with a signed-in device’s cookie either', async () => {
    const cookie = cookieOf(await signIn(PASSPHRASE));
    await write({ Cookie: cookie, Origin: 'http://elsewhere.example' }, app).expect(403);
  });

  it('a page of its own and a program that is no browser can write', async () => {
    await write({}).expect(201);
    await write({ 'Sec-Fetch-Site': 'same-origin' }).expect(201);
    const server = open.app.listen(0);
    const { port } = server.address() as { port: number };
    await request(`http://127.0.0.1:${port}`)
      .post('/api/spots')
      .set('Origin', `http://127.0.0.1:${port}`)
      .send({ name: 'Sill', latitudeDeg: 54 })
      .expect(201);
    server.close();
  });

  it.each([
    'elsewhere.example',
    'elsewhere.example:4180',
    '127.0.0.1.elsewhere.example',
    '',
    'a b',
  ])('under the name %s is not answered at all where no passphrase is needed', async (host) => {
    const { status } = await open.call.get('/api/plants').set('Host', host);
    expect([400, 421]).toContain(status);
  });
  it.each(['localhost:4180', '127.0.0.1', '[::1]:4180'])(
    'under %s it is this machine',
    async (host) => {
      await open.call.get('/api/plants').set('Host', host).expect(200);
    },
  );
});

describe('every answer', () => {
  it('forbids scripts and frames from elsewhere, and guessing at types', async () => {
    const { headers } = await app.call.get('/api/health');
    const policy = headers['content-security-policy'] as string;
    const directives = Object.fromEntries(
      policy.split(';').map((one) => [one.trim().split(' ')[0]!, one.trim().split(' ').slice(1)]),
    );
    expect(directives['default-src']).toEqual(["'self'"]);
    expect(directives['script-src']).toEqual(["'self'", "'wasm-unsafe-eval'"]);
    expect(directives['object-src']).toEqual(["'none'"]);
    expect(directives['frame-ancestors']).toEqual(["'none'"]);
    expect(policy).not.toMatch(/https?:|\*|unsafe-eval'(?<!wasm-unsafe-eval')/);
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['referrer-policy']).toBe('no-referrer');
    expect(headers['cross-origin-opener-policy']).toBe('same-origin');
    expect(headers['cross-origin-resource-policy']).toBe('same-origin');
    expect(headers['cache-control']).toBe('no-store');
    expect(headers['x-powered-by']).toBeUndefined();
  });
});
