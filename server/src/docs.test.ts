import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { expect, it } from 'vitest';

const root = join(import.meta.dirname, '../..');
const read = (path: string) => readFileSync(join(root, path), 'utf8');
const folders = readdirSync(join(root, 'core/src'), { withFileTypes: true })
  .filter((entry) => entry.isDirectory())
  .map(({ name }) => name);

it('every model of the core stands in docs/models.md and in docs/architecture.md', () => {
  const models = read('docs/models.md');
  const architecture = read('docs/architecture.md');
  for (const name of folders) {
    expect(models, name).toContain(`\`${name}/`);
    expect(architecture, name).toContain(`\`${name}\``);
  }
});

it('every file that the documents name exists', () => {
  const documents = [
    'README.md',
    'CONTRIBUTING.md',
    ...readdirSync(join(root, 'docs')).map((name) => `docs/${name}`),
  ];
  for (const path of documents.filter((name) => name.endsWith('.md'))) {
    const text = read(path);
    // Paths from the root of the house, and links beside the document.
    const named = [
      ...text.matchAll(/`((?:core|server|web|docs|e2e|bench|scripts)\/[\w/.-]+\.\w+)`/g),
    ].map(([, file]) => file!);
    const linked = [...text.matchAll(/\]\((?!https?:)([\w/.-]+)\)/g)].map(([, file]) =>
      join(path, '..', file!),
    );
    for (const file of [...named, ...linked])
      expect(() => read(file), `${path}: ${file}`).not.toThrow();
  }
});
