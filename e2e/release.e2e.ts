import { execFileSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { OwnServer, root } from '../scripts/ownServer.ts';
import { expect, test, TODAY } from './garden.ts';

const npm = (folder: string, ...args: string[]) =>
  execFileSync('npm', [...args, '--loglevel=error'], { cwd: folder, encoding: 'utf8' });

test('the release runs in an empty folder with what it brings, and nothing of the tools that made it', async ({
  page,
}) => {
  const folder = mkdtempSync(join(tmpdir(), '.fernbank-release-'));
  try {
    npm(root, 'pack', '--ignore-scripts', '--pack-destination', folder);
    const [release] = readdirSync(folder);
    expect(release).toMatch(/^fernbank-\d+\.\d+\.\d+\.tgz$/);
    npm(folder, 'install', `./${release}`, '--no-audit', '--no-fund', '--prefer-offline');
    const installed = readdirSync(join(folder, 'node_modules')).filter(
      (name) => !name.startsWith('.'),
    );
    // What others wrote goes with the terms they wrote it under.
    for (const [part, name] of [
      ['server', 'express'],
      ['web', 'vue'],
      ['web', 'atkinson-hyperlegible'],
    ] as const) {
      const notices = join(folder, 'node_modules/fernbank', part, 'dist/third-party.md');
      expect(readFileSync(notices, 'utf8')).toContain(name);
    }
    for (const tool of ['vite', 'vue', 'typescript', '@swc', 'express']) {
      expect(installed).not.toContain(tool);
    }
    const program = join(folder, 'node_modules/fernbank/server/dist/fernbank.js');
    const version = execFileSync(process.execPath, [program, '--version'], { encoding: 'utf8' });
    expect(release).toContain(version.trim());
    execFileSync(process.execPath, [program, 'make-demo', join(folder, 'demo.sqlite')], {
      env: { ...process.env, FERNBANK_TODAY: TODAY },
    });
    const server = new OwnServer(
      {
        FERNBANK_DB: join(folder, 'demo.sqlite'),
        FERNBANK_TODAY: TODAY,
        FERNBANK_LOG: join(folder, 'demo.log'),
      },
      program,
    );
    expect(await server.start(), server.said).toBe(true);
    expect(server.said).toContain(`Open        ${server.address}`);
    await page.goto(`${server.address}/rounds`);
    await expect(page.getByText('Rescue now').first()).toBeVisible();
    await server.kill('SIGTERM');
    expect(existsSync(join(folder, 'demo.log'))).toBe(true);
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
