import { expect, it } from 'vitest';
import { greeting, phoneAddresses, type Opened } from './greeting.ts';

const OPENED: Opened = {
  version: '1.2.3',
  secure: false,
  host: '127.0.0.1',
  port: 4180,
  collection: '/home/keeper/collection.sqlite',
  log: '/home/keeper/collection.log',
  demo: false,
};
const address = (ip: string, internal = false) =>
  ({ address: ip, family: 'IPv4', internal }) as never;
const INTERFACES = { lo: [address('127.0.0.1', true)], wlan: [address('192.0.2.7')] };

it('tells where it is open, where the collection lies and how to stop', () => {
  const told = greeting(OPENED, INTERFACES);
  for (const part of ['http://127.0.0.1:4180', OPENED.collection, OPENED.log, 'Ctrl+C', '1.2.3']) {
    expect(told).toContain(part);
  }
  expect(told).not.toContain('Phone');
});

it('tells a phone’s address only where other machines may come in', () => {
  expect(phoneAddresses(OPENED, INTERFACES)).toEqual([]);
  const open = { ...OPENED, host: '0.0.0.0', secure: true };
  expect(phoneAddresses(open, INTERFACES)).toEqual(['https://192.0.2.7:4180']);
  expect(greeting(open, INTERFACES)).toContain('https://127.0.0.1:4180');
  expect(phoneAddresses({ ...OPENED, host: '192.0.2.9' }, INTERFACES)).toEqual([
    'http://192.0.2.9:4180',
  ]);
  expect(phoneAddresses({ ...OPENED, host: '::1' }, INTERFACES)).toEqual([]);
  expect(phoneAddresses({ ...OPENED, host: 'fd00::7' }, {})).toEqual(['http://[fd00::7]:4180']);
});
