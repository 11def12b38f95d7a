import { flushPromises } from '@vue/test-utils';
import { expect, it } from 'vitest';
import UndoDialog from '../components/app/UndoDialog.vue';
import { m } from '../messages/index.ts';
import { fakeServer, open, refuse } from '../test/harness.ts';
import { useUndo } from './undo.ts';

const resting = {
  id: 12,
  at: '2026-03-16T09:00:00Z',
  what: 'mark a task done',
  kind: 'write',
  device: null,
  undoes: null,
  undoneBy: null,
  emptied: null,
  entries: [
    {
      of: 'tasks',
      op: 'change',
      row: '3',
      name: 'First water',
      plantId: 5,
      plant: 'Gangway',
      date: null,
      fields: [{ field: 'done', before: null, after: '2026-03-16' }],
    },
  ],
  counts: { tasks: 1 },
};
async function ask() {
  let asked = 0;
  const server = fakeServer({
    'POST /history/7/undo': () =>
      asked++ === 0
        ? refuse(409, 'rests on it', undefined, { code: 'dependents', dependents: [resting] })
        : { deed: 20 },
  });
  const { wrapper } = await open(UndoDialog, '/');
  const answer = useUndo().takeBack('/history/7/undo');
  await flushPromises();
  const press = async (word: string) => {
    [...document.querySelectorAll('button')]
      .find((button) => button.textContent?.trim() === word)!
      .click();
    await flushPromises();
  };
  return { server, wrapper, answer, press };
}

it('names what rests on a thing, and takes it back with it when the keeper says so', async () => {
  const { server, answer, press } = await ask();
  expect(document.body.textContent).toContain(m.app.dependents.title(1));
  expect(document.body.textContent).toContain('First water');
  expect(document.body.textContent).not.toContain('2026-03-16');
  await press(m.app.dependents.all);
  expect(await answer).toEqual({ deed: 20 });
  expect(server.calls.map(({ body }) => body)).toEqual([{ also: [] }, { also: [12] }]);
  expect(useUndo().question).toBeNull();
});

it('leaves all as it is when the keeper says so', async () => {
  const { server, answer, press } = await ask();
  await press(m.app.dependents.keep);
  expect(await answer).toBeNull();
  expect(server.calls).toHaveLength(1);
});
