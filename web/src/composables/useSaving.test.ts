import { describe, expect, it } from 'vitest';
import { ApiError } from '../api/client.ts';
import { useSaving } from './useSaving.ts';

describe('a form that is sent', () => {
  it('sends nothing while something is missing, and says where', async () => {
    const { send, errors, saving } = useSaving();
    let sent = 0;
    await send({ name: 'Please fill this in' }, () => Promise.resolve(void sent++));
    expect([sent, saving.value, errors.value]).toEqual([0, false, { name: 'Please fill this in' }]);
  });

  it('tells a refusal at its field and for the whole, where the form has that field or not', async () => {
    const { send, errors, fault, saving } = useSaving();
    await send({}, () =>
      Promise.reject(
        new ApiError('must be between 1 and 200', 422, 'invalid', 'pot.topDiameterCm'),
      ),
    );
    expect(errors.value).toEqual({ topDiameterCm: 'must be between 1 and 200' });
    expect([fault.value, saving.value]).toEqual(['must be between 1 and 200', false]);
  });

  it('tells silence for the whole, and forgets it when it is sent again', async () => {
    const { send, errors, fault, saving } = useSaving();
    await send({}, () => Promise.reject(new ApiError('silent', 0, 'network')));
    expect([errors.value, fault.value]).toEqual([{}, 'silent']);
    const seen: boolean[] = [];
    await send({}, () => Promise.resolve(void seen.push(saving.value)));
    expect([seen, fault.value, saving.value]).toEqual([[true], '', false]);
  });

  it('names a field as the form does', async () => {
    const { send, errors } = useSaving((field) => field.split('.')[0]!);
    await send({}, () =>
      Promise.reject(new ApiError('must be at least −30', 422, 'invalid', 'temperatureC.3')),
    );
    expect(Object.keys(errors.value)).toEqual(['temperatureC']);
  });
});
