#!/usr/bin/env node
import { parseArgs } from 'node:util';
import { collectionPath, demoPath } from './place.ts';
import { VERSION } from './shipped.ts';

const HELP = `Fernbank ${VERSION}

  fernbank          opens your own collection
  fernbank demo     opens an invented one, made anew

  --help, --version

Set in the environment:
  PORT                  4180; 0 takes any that is free
  HOST                  127.0.0.1; another one asks for FERNBANK_PASSPHRASE
  FERNBANK_DB           path of the collection's file
  FERNBANK_PASSPHRASE   who gives it is let in from other machines
  FERNBANK_CERT, _KEY   paths of a certificate and its key, for https
  FERNBANK_PHONE_PORT   the port that phones come in by, once they are let in; PORT + 1
  FERNBANK_ADDRESS      what phones call this machine, where it cannot tell itself
  FERNBANK_LOG          path of the log; "pretty" shows it here, "-" as JSON
  LOG_LEVEL             info; silent, fatal, error, warn, debug, trace
  FERNBANK_RESTORE      "newest" goes on with the newest sound copy of a damaged file
`;

/** @throws TypeError of Node for an option that there is not */
function asked() {
  const { values, positionals } = parseArgs({
    options: { help: { type: 'boolean', short: 'h' }, version: { type: 'boolean', short: 'v' } },
    allowPositionals: true,
  });
  const [command = 'start', ...more] = positionals;
  const known = ['start', 'demo', 'make-demo'].includes(command) && more.length <= 1;
  return { help: values.help || !known, version: values.version, command, path: more[0], known };
}

/** Loaded only to serve: whoever asks for help need not wait for it. */
const server = () => import('./serve.ts');

try {
  const { help, version, command, path, known } = asked();
  if (version) console.log(VERSION);
  else if (help) {
    console.log(HELP);
    process.exitCode = known ? 0 : 2;
  } else if (command === 'start') {
    await (await server()).serve(collectionPath());
  } else {
    const file = path ?? process.env.FERNBANK_DB ?? demoPath();
    const { makeDemo } = await import('../../demo/make.ts');
    const demo = makeDemo(file);
    if (command === 'demo') await (await server()).serve(file, { demo });
  }
} catch (error) {
  console.error(error instanceof TypeError ? `${error.message}\n\n${HELP}` : error);
  process.exitCode = 2;
}
