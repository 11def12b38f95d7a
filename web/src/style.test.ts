import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';

const HERE = import.meta.dirname;
const components = readdirSync(HERE, { recursive: true, encoding: 'utf8' }).filter((name) =>
  name.endsWith('.vue'),
);
const source = (name: string) => readFileSync(join(HERE, name), 'utf8');
const holding = (pattern: RegExp) => components.filter((name) => pattern.test(source(name)));

describe('one vocabulary of layout and fields', () => {
  it('as many as there is room for is laid out by a class of the one style sheet', () => {
    expect(components.length).toBeGreaterThan(100);
    expect(holding(/auto-fi(ll|t)/)).toEqual([]);
  });

  it('no field converts units by hand', () => {
    expect(holding(/<NumberField[^>]*:unit="(length|volume)Unit"/)).toEqual([]);
    expect(holding(/from 'convert'/)).toEqual([]);
  });

  it('a button is as high as all are, or says a height of its own', () => {
    expect(holding(/<v-btn[^>]*min-height="(44|48)"/)).toEqual([]);
  });
});
