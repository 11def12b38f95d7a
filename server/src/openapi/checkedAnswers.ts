import Ajv, { type ValidateFunction } from 'ajv';
import express, { type Express } from 'express';
import made from './answers.json' with { type: 'json' };

const ajv = new Ajv({ strict: false, allowUnionTypes: true });
ajv.addSchema({ $id: 'made', definitions: made.definitions, answers: made.answers });

/** Words before what stands for any: `/days/now` is no day called now. */
const ROUTES = Object.keys(made.answers)
  .map((key) => {
    const [method, path] = key.split(' ') as [string, string];
    return { key, method, path: new RegExp(`^/api${path.replace(/:\w+/g, '[^/]+')}$`) };
  })
  .sort((a, b) => Number(a.key.includes(':')) - Number(b.key.includes(':')));
const checks = new Map<string, ValidateFunction>();

/** The entry of the contract that a path is answered by. */
export const routeOf = (method: string, path: string): keyof typeof made.answers | null =>
  (ROUTES.find((one) => one.method === method && one.path.test(path))?.key ?? null) as
    keyof typeof made.answers | null;

function checkOf(method: string, path: string): [string, ValidateFunction] | null {
  const key = routeOf(method, path);
  if (!key) return null;
  let check = checks.get(key);
  if (!check) {
    const pointer = encodeURIComponent(key.replaceAll('~', '~0').replaceAll('/', '~1'));
    checks.set(key, (check = ajv.compile({ $ref: `made#/answers/${pointer}` })));
  }
  return [key, check];
}

/** Why an answer is not what the contract says; null: it is, or the contract says nothing of it. */
export function answerFault(method: string, path: string, body: unknown): string | null {
  const [key, check] = checkOf(method, path) ?? [];
  if (!check || check(body)) return null;
  const [first] = check.errors!;
  return `${key}${first!.instancePath} ${first!.message} ${JSON.stringify(first!.params)}`;
}

/** An application whose every answer is held against the contract: one that breaks it is a fault. */
export function checkedAnswers(app: Express): Express {
  const outer = express();
  outer.use((request, response, next) => {
    const path = request.path.replace(/\/$/, '');
    const send = response.send.bind(response);
    response.send = (body: unknown) => {
      const told =
        typeof body === 'string' && String(response.get('Content-Type')).includes('json');
      if (!told || response.statusCode >= 300) return send(body);
      const fault = answerFault(request.method, path, JSON.parse(body));
      if (fault) throw new Error(`the contract is broken: ${fault}`);
      return send(body);
    };
    next();
  });
  outer.use(app);
  return outer;
}
