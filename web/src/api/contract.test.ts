import { describe, expectTypeOf, it } from 'vitest';
import type { AnswerAt, Answers, RowAt } from './contract.ts';

/** Held to when types are read: `npm test` does so before anything runs. */
describe('what is answered at a path', () => {
  it('is what its route answers, whatever is asked after it', () => {
    expectTypeOf<AnswerAt<'GET', `/plants/${number}/file`>>().toEqualTypeOf<
      Answers['GET /plants/:id/file']
    >();
    expectTypeOf<AnswerAt<'GET', `/rounds?each=${number}&spot=${string}`>>().toEqualTypeOf<
      Answers['GET /rounds']
    >();
    expectTypeOf<RowAt<'/plants?gone=1'>>().toEqualTypeOf<Answers['GET /plants/:id']>();
  });

  it('is told apart by its parts and by the method, a word before any id', () => {
    expectTypeOf<AnswerAt<'GET', '/days/now'>>().toEqualTypeOf<Answers['GET /days/now']>();
    expectTypeOf<AnswerAt<'GET', `/days/${number}`>>().toEqualTypeOf<Answers['GET /days/:id']>();
    expectTypeOf<AnswerAt<'POST', '/repots'>>().toEqualTypeOf<Answers['POST /repots']>();
    expectTypeOf<AnswerAt<'DELETE', `/pots/${number}`>>().toEqualTypeOf<undefined>();
  });

  it('is the same for what is added and what is changed, and unknown where there is no such route', () => {
    expectTypeOf<AnswerAt<'POST' | 'PATCH', `/spots/${number}` | '/spots'>>().toEqualTypeOf<
      Answers['GET /spots/:id']
    >();
    expectTypeOf<AnswerAt<'GET', '/nowhere'>>().toBeUnknown();
    expectTypeOf<AnswerAt<'GET', `/plants/${number}/file/more`>>().toBeUnknown();
  });
});
