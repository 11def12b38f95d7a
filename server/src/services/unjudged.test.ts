import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { COLLECTION_TABLES, quoted } from '../history/tables.ts';
import { testApp, TODAY, type TestApp } from '../testApp.ts';
import { judgedOn } from './judging.ts';

let app: TestApp;
beforeEach(() => (app = testApp({ garden: true })));
afterEach(() => app.close());

interface Lists {
  items: { plantId: number }[];
  unjudged: { plantId: number; name: string; why: string }[];
}

describe('one bad row', () => {
  /** What a hand in the file, or a fault of an older version, might leave behind. */
  const poisons: [what: string, column: string, value: string | null][] = [
    ['a recipe that is not there', 'recipe_id', 'own-999'],
    ['parts of a component that is not there', 'medium_parts', '[{"component":"own-9","parts":1}]'],
    ['a pot that is no JSON', 'pot', '{"shape":'],
    ['a pot without sizes', 'pot', '{}'],
    ['schools that are nothing', 'schools', 'null'],
    ['a day that is none', 'last_repot', 'last spring'],
    ['a material that nobody knows', 'pot_material', 'cardboard'],
  ];
  for (const [what, column, value] of poisons) {
    it(`leaves the others on every list: ${what}`, async () => {
      const others = judgedOn(app.file.db, TODAY).judgements.length - 1;
      app.file.run(`UPDATE plants SET ${column} = ? WHERE id = 3`, value);
      // As when the server starts again: nothing is remembered of the row as it was.
      const fresh = testAppOn(app);
      const verdicts = (await fresh('/api/verdicts')) as { status: number; body: Lists };
      expect(verdicts.status).toBe(200);
      expect(verdicts.body.items).toHaveLength(others);
      expect(verdicts.body.unjudged.map(({ plantId }) => plantId)).toEqual([3]);
      expect(verdicts.body.unjudged[0]!.why).not.toBe('');
      const rounds = (await fresh('/api/rounds')) as { status: number; body: Lists };
      expect(rounds.status).toBe(200);
      expect(rounds.body.unjudged).toEqual(verdicts.body.unjudged);
    });
  }

  it('is judged again once it is mended', async () => {
    app.file.run("UPDATE plants SET recipe_id = 'own-999' WHERE id = 3");
    const fresh = testAppOn(app);
    expect(((await fresh('/api/rounds')).body as Lists).unjudged).toHaveLength(1);
    await app.call.patch('/api/plants/3').send({ recipeId: 'everyday' }).expect(200);
    expect(((await fresh('/api/rounds')).body as Lists).unjudged).toEqual([]);
  });

  it('of any table takes no list down', async () => {
    for (const { name, columns, key } of COLLECTION_TABLES) {
      if (name === 'deeds' || name === 'changes') continue;
      const json = columns.filter(({ kind }) => kind === 'json');
      for (const { name: column } of json) {
        const [row] = app.file.rows(`SELECT * FROM ${quoted(name)} LIMIT 1`);
        if (!row) continue;
        const set = (value: string | number | null) =>
          app.file.run(
            `UPDATE ${quoted(name)} SET ${quoted(column)} = ? WHERE ${quoted(key)} = ?`,
            value,
            row[key]!,
          );
        set('{"broken"');
        const fresh = testAppOn(app);
        for (const path of ['/api/verdicts', '/api/rounds']) {
          expect([name, column, path, (await fresh(path)).status]).toEqual([
            name,
            column,
            path,
            200,
          ]);
        }
        set(row[column]!);
      }
    }
  });
});

/** The same file in a server that has just started. */
function testAppOn({ path }: TestApp) {
  const again = testApp({ at: path });
  return async (address: string) => {
    const { status, body } = await again.call.get(address);
    return { status, body };
  };
}
