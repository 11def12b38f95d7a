import { parentPort } from 'node:worker_threads';
import { asHttpError, type HttpError } from '../http/errors.ts';

/** What a thread answers. */
export type Told =
  | { json: string }
  | {
      fault: {
        http?: Pick<HttpError, 'status' | 'code' | 'field' | 'more'>;
        name: string;
        message: string;
        stack?: string | undefined;
      };
    };

/** Makes this thread answer whatever it is asked. */
export function answering<Asked>(answer: (asked: Asked) => unknown): void {
  parentPort!.on('message', (asked: Asked) => {
    void told(answer, asked).then((message) => parentPort!.postMessage(message));
  });
}

async function told<Asked>(answer: (asked: Asked) => unknown, asked: Asked): Promise<Told> {
  try {
    return { json: JSON.stringify(await answer(asked)) };
  } catch (thrown) {
    const error = thrown instanceof Error ? thrown : new Error(String(thrown));
    const http = asHttpError(error);
    const { name, message, stack } = http ?? error;
    return { fault: { name, message, stack, ...(http ? { http: partsOf(http) } : {}) } };
  }
}

/** An error loses its own fields on the way to another thread. */
function partsOf({ status, code, field, more }: HttpError) {
  return { status, code, more, ...(field ? { field } : {}) };
}
