import made from './answers.json' with { type: 'json' };
import type { JsonSchema } from './document.ts';

/** What is answered route by route, as `npm run answers` makes it from the contract. */
export const ANSWERS = made.answers as Record<string, JsonSchema>;
const DEFINITIONS = made.definitions as Record<string, JsonSchema>;

/** The same with its definitions at another place of a document. */
export const placedAt = <T>(place: string, of: T): T =>
  JSON.parse(JSON.stringify(of).replaceAll('"#/definitions/', `"${place}/`)) as T;

export const SCHEMAS_AT = '#/components/schemas';
export const schemasOfAnswers = () => placedAt(SCHEMAS_AT, DEFINITIONS);

/** @param path  as Express writes it, below `/api` */
export function answerSchema(method: string, path: string): JsonSchema | null {
  const schema = ANSWERS[`${method.toUpperCase()} ${path}`];
  return schema ? placedAt(SCHEMAS_AT, schema) : null;
}
