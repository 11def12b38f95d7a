import { signal, type SignalValue } from '@fernbank/core';
import { m } from '../messages/index.ts';

/** What a question asks about, within a sentence. */
export const questionWord = (id: string): string =>
  signal(id).label.toLowerCase().replace(/\?$/, '');

/** An answer to it as it is told. */
export function answerWord(id: string, value: SignalValue): string {
  const definition = signal(id);
  if (definition.kind === 'share') return m.verdictPage.share(Math.round(100 * Number(value)));
  return definition.choices.find((choice) => choice.value === value)?.label ?? String(value);
}
