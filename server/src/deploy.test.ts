import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';
import { parse } from 'yaml';

const root = join(import.meta.dirname, '../..');
const read = (path: string) => readFileSync(join(root, path), 'utf8');
const { version, files, bin } = JSON.parse(read('package.json')) as {
  version: string;
  files: string[];
  bin: Record<string, string>;
};

it('the container is asked for a passphrase, keeps its data apart, and runs as nobody in particular', () => {
  const { services, volumes } = parse(read('deploy/compose.yaml')) as {
    services: Record<string, { volumes: string[]; environment: Record<string, string> }>;
    volumes: object;
  };
  const { fernbank } = services;
  expect(fernbank!.environment.FERNBANK_PASSPHRASE).toMatch(/^\$\{FERNBANK_PASSPHRASE:\?/);
  const [volume, path] = fernbank!.volumes[0]!.split(':') as [string, string];
  expect(volumes).toHaveProperty(volume);
  const dockerfile = read('deploy/Dockerfile');
  expect(dockerfile).toContain(`FERNBANK_DB=${path}/collection.sqlite`);
  expect(dockerfile).toContain(`VOLUME ${path}`);
  expect(dockerfile.indexOf('USER node')).toBeGreaterThan(dockerfile.indexOf('mkdir /data'));
  expect(dockerfile).toMatch(/^HEALTHCHECK/m);
});

it('every setting that is shipped is one that the program tells of', () => {
  const told = read('server/src/fernbank.ts');
  const shipped = ['deploy/Dockerfile', 'deploy/compose.yaml', 'deploy/fernbank.service']
    .flatMap((path) => read(path).match(/\b(?:FERNBANK_[A-Z]+|HOST|PORT)\b/g) ?? [])
    .filter((name, i, all) => all.indexOf(name) === i);
  expect(shipped.length).toBeGreaterThan(3);
  for (const name of shipped) expect(told, name).toContain(name);
});

it('the version stands in the list of changes, and the release holds what it runs', () => {
  expect(read('CHANGELOG.md')).toContain(`## ${version}`);
  for (const part of ['server/dist', 'server/drizzle', 'web/dist']) expect(files).toContain(part);
  expect(bin.fernbank).toBe('server/dist/fernbank.js');
  for (const workspace of ['core', 'server', 'web']) {
    expect(JSON.parse(read(`${workspace}/package.json`))).toMatchObject({ version });
  }
});
