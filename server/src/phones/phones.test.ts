import { existsSync, mkdtempSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { request as plainRequest } from 'node:http';
import { request, type RequestOptions } from 'node:https';
import { createServer, type AddressInfo, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import supertest from 'supertest';
import { afterAll, beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { createApp } from '../app.ts';
import { contextOf } from '../context.ts';
import { openCollection } from '../db/open.ts';
import { Journal } from '../history/journal.ts';
import { TODAY } from '../testApp.ts';
import { Pairing } from './pairing.ts';
import { Phones, phonesFileOf } from './phones.ts';

const MINUTE_MS = 60_000;
const BEGAN = Date.now();
let now = BEGAN;
const folder = mkdtempSync(join(tmpdir(), '.fernbank-'));
const path = join(folder, 'collection.sqlite');
const file = openCollection(path);
let hosts = ['127.0.0.1'];
const newPhones = (port = 0) => new Phones({ path, port, hosts: () => hosts, now: () => now });
const phones = newPhones();
const app = createApp(
  contextOf({
    file,
    path,
    journal: new Journal(file),
    phones,
    today: () => TODAY,
    version: 'test',
  }),
  pino({ level: 'silent' }),
);
/** At the desk, on this machine itself. */
const desk = supertest(app);
beforeAll(() => phones.begin(app));
beforeEach(() => {
  now = BEGAN;
  hosts = ['127.0.0.1'];
});
afterAll(() => {
  phones.stop();
  file.close();
  rmSync(folder, { recursive: true });
});

interface Answer {
  status: number;
  body: Record<string, unknown> & { error?: { code: string } };
  cookie: string;
}
/** From a phone: by HTTPS on the port for phones. Whom it trusts is tested in authority.test.ts. */
function phone(to: string, options: RequestOptions & { send?: object; cookie?: string } = {}) {
  const { send, cookie } = options;
  return new Promise<Answer>((resolve, reject) => {
    const asked = request(
      {
        host: '127.0.0.1',
        port: phones.now.port,
        path: `/api${to}`,
        method: send ? 'POST' : 'GET',
        rejectUnauthorized: false,
        agent: false,
        headers: {
          ...(send ? { 'Content-Type': 'application/json' } : {}),
          ...(cookie ? { Cookie: cookie } : {}),
        },
      },
      (response) => {
        let text = '';
        response.setEncoding('utf8');
        response.on('data', (part: string) => (text += part));
        response.on('end', () =>
          resolve({
            status: response.statusCode!,
            body: text ? JSON.parse(text) : {},
            cookie: response.headers['set-cookie']?.[0] ?? '',
          }),
        );
      },
    );
    asked.on('error', reject);
    asked.end(send ? JSON.stringify(send) : undefined);
  });
}
const offered = async () => (await desk.post('/api/phones/code').expect(201)).body;
const come = (code: string) => phone('/door/code', { send: { code, label: 'the phone' } });

describe('phones', () => {
  it('cannot come in, nor be given a code, before they are let in', async () => {
    const { body } = await desk.get('/api/phones').expect(200);
    expect(body).toEqual({ open: false, hosts, port: null, fingerprint: null, fault: null });
    expect((await desk.post('/api/phones/code')).body.error.code).toBe('closed');
    await desk.post('/api/door/code').send({ code: '' }).expect(400);
    expect(existsSync(phonesFileOf(path))).toBe(false);
  });

  it('are let in when asked for, by a file that only the keeper reads', async () => {
    const { body } = await desk.post('/api/phones').expect(200);
    expect(body).toMatchObject({ open: true, hosts, fault: null });
    expect(body.fingerprint).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
    expect(statSync(phonesFileOf(path)).mode & 0o777).toBe(0o600);
    expect(JSON.stringify(body)).not.toContain('PRIVATE');
  });

  it('read nothing without being paired, though this machine needs no passphrase', async () => {
    await desk.get('/api/plants').expect(200);
    for (const to of ['/plants', '/phones', '/devices', '/backup', '/events']) {
      const { status, body } = await phone(to);
      expect([to, status, body.error?.code]).toEqual([to, 401, 'signIn']);
    }
    expect((await phone('/phones/code', { send: {} })).status).toBe(401);
    expect((await phone('/door')).body).toEqual({
      needed: true,
      signedIn: false,
      device: null,
      way: 'code',
    });
  });

  it('come in by a code from the desk, once: replayed, it is refused', async () => {
    const { code, links } = await offered();
    expect(links).toEqual([
      { host: '127.0.0.1', link: `http://127.0.0.1:${phones.now.port}/#${code}` },
    ]);
    const first = await come(code);
    expect(first.status).toBe(200);
    for (const word of ['HttpOnly', 'Secure', 'SameSite=Strict'])
      expect(first.cookie).toContain(word);
    const [cookie] = first.cookie.split(';');
    expect((await phone('/plants', { cookie })).status).toBe(200);
    const again = await come(code);
    expect([again.status, again.body.error?.code]).toEqual([401, 'wrongCode']);
  });

  it('are refused with a code that is late, to the second', async () => {
    const { code, until } = await offered();
    now = Date.parse(until);
    expect((await come(code)).status).toBe(401);
    const next = await offered();
    now = Date.parse(next.until) - 1;
    expect((await come(next.code)).status).toBe(200);
  });

  it('are refused with a code that another one took the place of', async () => {
    const { code } = await offered();
    await offered();
    expect((await come(code)).status).toBe(401);
  });

  it('are listed at the desk, and out at once when they are signed out there', async () => {
    const { code } = await offered();
    const [cookie] = (await come(code)).cookie.split(';');
    const { items } = (await desk.get('/api/devices').expect(200)).body;
    const mine = items.reduce((a: { id: number }, b: { id: number }) => (a.id > b.id ? a : b));
    expect(mine).toMatchObject({ label: 'the phone', scope: 'all' });
    await desk.delete(`/api/devices/${mine.id}`).expect(204);
    expect((await phone('/plants', { cookie })).status).toBe(401);
  });

  it('find how to trust the machine by plain HTTP on the same port, and nothing else', async () => {
    const plain = `http://127.0.0.1:${phones.now.port}`;
    const page = await fetch(plain);
    expect(page.headers.get('Content-Security-Policy')).toContain("default-src 'none'");
    expect(await page.text()).toContain(phones.now.fingerprint);
    const certificate = await fetch(`${plain}/fernbank.crt`);
    expect(certificate.headers.get('Content-Type')).toBe('application/x-x509-ca-cert');
    for (const to of ['/api/plants', '/api/health', '/rounds']) {
      const { status, headers } = await fetch(plain + to, { redirect: 'manual' });
      expect([to, status, headers.get('Location')]).toEqual([to, 302, '/']);
    }
    expect((await fetch(`${plain}/api/door/code`, { method: 'POST' })).status).toBe(405);
    // What is no address does no harm.
    for (const path of ['//', '//[', '/%', '/?']) {
      const { port } = phones.now;
      const status = await new Promise((resolve, reject) => {
        const asked = plainRequest({ host: '127.0.0.1', port, path, agent: false }, (response) => {
          response.resume();
          resolve(response.statusCode);
        });
        asked.on('error', reject).end();
      });
      expect([path, status]).toEqual([path, path === '/?' ? 200 : 302]);
    }
  });

  it('find it again after a restart, under the same certificate and port, and paired', async () => {
    const { code } = await offered();
    const [cookie] = (await come(code)).cookie.split(';');
    const { port, fingerprint } = phones.now;
    phones.stop();
    await expect(phone('/door')).rejects.toThrow();
    const restarted = newPhones(0);
    await restarted.begin(app);
    expect(restarted.now).toMatchObject({ open: true, port, fingerprint });
    restarted.stop();
    await phones.open();
    expect(phones.now).toMatchObject({ port, fingerprint });
    expect((await phone('/plants', { cookie })).status).toBe(200);
  });

  it('go on trusting it when its address at home changes; elsewhere another authority is made', async () => {
    const { fingerprint } = phones.now;
    hosts = ['192.168.7.31'];
    expect((await offered()).links[0].link).toMatch(/^http:\/\/192\.168\.7\.31:/);
    expect(phones.now.fingerprint).toBe(fingerprint);
    hosts = ['198.51.100.9'];
    await offered();
    expect(phones.now.fingerprint).not.toBe(fingerprint);
    // What a phone is to trust is shown and given from then on.
    const page = await fetch(`http://127.0.0.1:${phones.now.port}`);
    expect(await page.text()).toContain(phones.now.fingerprint);
  });

  it('are let in no more when it is closed, and a code of before is worth nothing', async () => {
    const { code } = await offered();
    const { port } = phones.now;
    await desk.delete('/api/phones').expect(204);
    await expect(fetch(`http://127.0.0.1:${port}`)).rejects.toThrow();
    expect((await desk.post('/api/door/code').send({ code })).status).toBe(401);
    await phones.begin(app);
    expect(phones.now.open).toBe(false);
  });

  it('trust one authority when two windows let them in at the same moment', async () => {
    const twice = new Phones({ path: join(folder, 'twice.sqlite'), port: 0, hosts: () => hosts });
    const told = await Promise.all(
      [1, 2].map(async () => {
        await twice.open();
        return twice.now.fingerprint;
      }),
    );
    twice.stop();
    expect(told[0]).toMatch(/^([0-9A-F]{2}:){31}[0-9A-F]{2}$/);
    expect(told[1]).toBe(told[0]);
  });

  it('are told of in words when a port is taken or there is no network', async () => {
    const taken: Server = createServer().listen(0, '0.0.0.0');
    await new Promise((resolve) => taken.once('listening', resolve));
    const other = new Phones({
      path: join(folder, 'other.sqlite'),
      port: (taken.address() as AddressInfo).port,
      hosts: () => hosts,
    });
    await expect(other.open()).rejects.toThrow(/taken: start Fernbank with FERNBANK_PHONE_PORT/);
    taken.close();
    const nowhere = new Phones({ path: join(folder, 'no.sqlite'), port: 0, hosts: () => [] });
    await expect(nowhere.open()).rejects.toThrow('in no network');
  });

  it('a file that is damaged is made anew', async () => {
    writeFileSync(phonesFileOf(path), '{"open":true,"authority":{');
    const restarted = newPhones();
    await restarted.begin(app);
    expect(restarted.now).toMatchObject({ open: false, fingerprint: null });
  });
});

describe('a code', () => {
  it('is read however it was typed', () => {
    const pairing = new Pairing(() => now);
    for (let n = 0; n < 50; n++) {
      const { code } = pairing.offer();
      const typed = code.replaceAll('0', 'o').replaceAll('1', 'L').toLowerCase();
      expect(pairing.take(` ${typed.slice(0, 4)}-${typed.slice(4)} `)).toBe(true);
      expect(pairing.take(code)).toBe(false);
    }
  });

  it('lasts long enough to have a phone trust a certificate', () => {
    const pairing = new Pairing(() => now);
    const { code, until } = pairing.offer();
    expect((until - now) / MINUTE_MS).toBeGreaterThanOrEqual(10);
    pairing.withdraw();
    expect(pairing.take(code)).toBe(false);
  });
});
